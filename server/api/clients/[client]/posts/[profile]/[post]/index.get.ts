import { clientRoute, idParam } from '../../../../../../platform/http/route'
import { sendRemembered } from '../../../../../../figures/sendRemembered'
import { refuseRival } from '../../../../../../read/content/refuseRival'
import { postView } from '../../../../../../read/content/postView'
import { textParam } from '../../../../../../platform/http/textParam'

/** One post with everything that is known of it. */
export default clientRoute('figures', async ({ event, db, released }) => {
  const [profile, post] = [idParam(event, 'profile', 'post'), textParam(event, 'post', 'post', 40)]
  await refuseRival(db, profile, released)
  return await sendRemembered(event, db, (db) => postView(db, profile, post))
})
