import { clientRoute, idParam } from '../../../../../../platform/http/route'
import { sendPicture } from '../../../../../../platform/http/sendPicture'
import { textParam } from '../../../../../../platform/http/textParam'
import { notFound } from '../../../../../../platform/problems/problem'
import { listingPictureFile } from '../../../../../../read/places/listingPictures'

/** A picture that a listing shows or has shown. What it is painted with can run nothing: it is shown as a picture alone. */
export default clientRoute('places', async ({ event, db }) => {
  const profile = idParam(event, 'profile', 'listing')
  const picture = await listingPictureFile(db, profile, textParam(event, 'picture', 'picture', 40))
  if (!picture) throw notFound('picture')
  return sendPicture(event, picture.type, picture.bytes)
})
