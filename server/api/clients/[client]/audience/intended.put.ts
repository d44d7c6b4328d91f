import { intendedSchema } from '../../../../../shared/read/audience'
import { bodyOf, clientRoute } from '../../../../platform/http/route'
import { keepIntended } from '../../../../read/audience/audience'

/** Writes down whom the client wants to reach. */
export default clientRoute('write', async ({ event, db }) => {
  await keepIntended(db, await bodyOf(event, intendedSchema))
  return { ok: true }
})
