import { settleSchema } from '../../../../../shared/read/directories'
import { bodyOf, clientRoute } from '../../../../platform/http/route'
import { settleChanges } from '../../../../read/directories/corrections'

/** Settles changes that nobody here has made. */
export default clientRoute('write', async ({ event, db, person }) => ({
  jobs: await settleChanges(db, await bodyOf(event, settleSchema), person.id),
}))
