import { sendRemembered } from '../../../../figures/sendRemembered'
import { clientRoute } from '../../../../platform/http/route'
import { hashtagsBrought } from '../../../../plan/posts/hashtagsBrought'

/** The hashtags of the client's own posts, with what posts with each brought. */
export default clientRoute('work', ({ event, db }) => sendRemembered(event, db, hashtagsBrought))
