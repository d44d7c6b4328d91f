import { setResponseHeader } from 'h3'
import { clientRoute, idParam } from '../../../../../../platform/http/route'
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
  setResponseHeader(event, 'Content-Type', picture.type)
  setResponseHeader(event, 'Cache-Control', 'private, max-age=86400')
  setResponseHeader(event, 'Content-Security-Policy', "default-src 'none'; style-src 'unsafe-inline'; sandbox")
  setResponseHeader(event, 'X-Content-Type-Options', 'nosniff')
  return picture.bytes
})
