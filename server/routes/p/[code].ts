import { clientDb } from '../../platform/database/clientDb'
import { publicPage } from '../../read/links/linkPages'
import { publicHtml } from '../../read/links/publicHtml'
import { outsideRoute } from '../../read/links/sendOutside'

/** A public page of several links, for everybody. */
export default outsideRoute('page', async (_, { client, id }) => publicHtml(await publicPage(clientDb(client), id)))
