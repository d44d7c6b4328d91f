import { getQuery } from 'h3'
import { parseScope } from '../../../../../shared/figures/scope'
import { resolveScope } from '../../../../figures/resolveScope'
import { sendRemembered } from '../../../../figures/sendRemembered'
import { clientRoute } from '../../../../platform/http/route'
import { agencyColour, linkPagesIn } from '../../../../read/links/linkPages'

/** The public pages of links, with what is counted of them. */
export default clientRoute('figures', async ({ event, db }) => {
  const scope = parseScope(getQuery(event))
  return await sendRemembered(event, db, async (db) => ({
    pages: await linkPagesIn(db, await resolveScope(db, scope)),
    accent: await agencyColour(db),
  }))
})
