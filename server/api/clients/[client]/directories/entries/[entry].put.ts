import { entryOursSchema } from '../../../../../../shared/read/directories'
import { bodyOf, clientRoute, idParam } from '../../../../../platform/http/route'
import { sayOurs } from '../../../../../read/directories/corrections'

/** Says whether an entry is one of the client's. */
export default clientRoute('write', async ({ event, db }) => {
  const { isOurs } = await bodyOf(event, entryOursSchema)
  await sayOurs(db, idParam(event, 'entry', 'entry'), isOurs)
  return { ok: true }
})
