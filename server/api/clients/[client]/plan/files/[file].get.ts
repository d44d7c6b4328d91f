import { sendPicture } from '../../../../../platform/http/sendPicture'
import { clientRoute, idParam } from '../../../../../platform/http/route'
import { fileById } from '../../../../../plan/posts/planFiles'

/** A picture or a video. What it is made of can run nothing: it is shown alone. */
export default clientRoute('work', async ({ event, db }) => {
  const { type, content } = await fileById(db, idParam(event, 'file', 'picture'))
  return sendPicture(event, type, content)
})
