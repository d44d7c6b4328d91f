import { getRequestURL } from 'h3'
import { linkSchema } from '../../../../../../shared/read/links'
import { bodyOf, clientRoute, idParam } from '../../../../../platform/http/route'
import { changeLink } from '../../../../../read/links/links'

export default clientRoute('write', async ({ event, db }) => {
  const link = await bodyOf(event, linkSchema)
  await changeLink(db, idParam(event, 'link', 'link'), link, getRequestURL(event).host)
  return { ok: true }
})
