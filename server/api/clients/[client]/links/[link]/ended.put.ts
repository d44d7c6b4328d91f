import { endedSchema } from '../../../../../../shared/read/links'
import { bodyOf, clientRoute, idParam } from '../../../../../platform/http/route'
import { endLink } from '../../../../../read/links/links'

export default clientRoute('write', async ({ event, db }) => {
  const { isEnded } = await bodyOf(event, endedSchema)
  await endLink(db, idParam(event, 'link', 'link'), isEnded)
  return { ok: true }
})
