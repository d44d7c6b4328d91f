import { linkPageSchema } from '../../../../../../shared/read/links'
import { bodyOf, clientRoute, idParam } from '../../../../../platform/http/route'
import { changeLinkPage } from '../../../../../read/links/linkPages'

export default clientRoute('write', async ({ event, db }) => {
  await changeLinkPage(db, idParam(event, 'page', 'page'), await bodyOf(event, linkPageSchema))
  return { ok: true }
})
