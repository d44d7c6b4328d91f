import { getRouterParam } from 'h3'
import { idParam, route } from '../../../../platform/http/route'
import { sendPicture } from '../../../../platform/http/sendPicture'
import { slowGuesses } from '../../../../platform/http/slowGuesses'
import { approvalPicture } from '../../../../plan/posts/planLinks'

/** A picture of a post that waits for approval. */
export default route(async (event) => {
  const index = idParam(event, 'index', 'picture')
  const { type, content } = await slowGuesses(event, () => approvalPicture(getRouterParam(event, 'token') ?? '', index))
  return sendPicture(event, type, content)
})
