import { sendRemembered } from '../../../../figures/sendRemembered'
import { clientRoute } from '../../../../platform/http/route'
import { tagsOf } from '../../../../read/tags/tags'

/** The tags with how many posts have them; those of rivals for whoever may see them. */
export default clientRoute('figures', async ({ event, db, released }) => {
  const withRivals = released.includes('rivals')
  return await sendRemembered(event, db, (db) => tagsOf(db, withRivals), withRivals ? '' : 'without rivals')
})
