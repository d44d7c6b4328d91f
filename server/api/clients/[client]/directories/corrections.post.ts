import { setResponseStatus } from 'h3'
import { correctionsSchema } from '../../../../../shared/read/directories'
import { bodyOf, clientRoute } from '../../../../platform/http/route'
import { askForCorrections } from '../../../../read/directories/corrections'

/** Asks directories to say what the master record says. */
export default clientRoute('write', async ({ event, db, person }) => {
  const { items } = await bodyOf(event, correctionsSchema)
  setResponseStatus(event, 202)
  return { jobs: await askForCorrections(db, items, person.id) }
})
