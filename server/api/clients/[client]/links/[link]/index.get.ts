import { getQuery } from 'h3'
import { parseScope } from '../../../../../../shared/figures/scope'
import { resolveScope } from '../../../../../figures/resolveScope'
import { sendRemembered } from '../../../../../figures/sendRemembered'
import { clientRoute, idParam } from '../../../../../platform/http/route'
import { linkById } from '../../../../../read/links/links'
import { visitDetail } from '../../../../../read/links/visits'

/** The clicks of one link by day, hour, country and site. */
export default clientRoute('figures', async ({ event, db }) => {
  const scope = parseScope(getQuery(event))
  const link = idParam(event, 'link', 'link')
  await linkById(db, link)
  return await sendRemembered(
    event,
    db,
    async (db) => await visitDetail(db, 'link', link, (await resolveScope(db, scope)).period),
  )
})
