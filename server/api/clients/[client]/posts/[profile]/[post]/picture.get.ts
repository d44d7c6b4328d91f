import { clientRoute, idParam } from '../../../../../../platform/http/route'
import { sendPicture } from '../../../../../../platform/http/sendPicture'
import { textParam } from '../../../../../../platform/http/textParam'
import { notFound } from '../../../../../../platform/problems/problem'
import { refuseRival } from '../../../../../../read/content/refuseRival'
import { pictureOf } from '../../../../../../read/content/pictureOf'

/** The picture of a post. What it is painted with can run nothing: it is shown as a picture alone. */
export default clientRoute('figures', async ({ event, db, released }) => {
  const profile = idParam(event, 'profile', 'post')
  await refuseRival(db, profile, released)
  const picture = await pictureOf(db, profile, textParam(event, 'post', 'post', 40))
  if (!picture) throw notFound('picture')
  return sendPicture(event, picture.type, picture.bytes)
})
