import { getRouterParam } from 'h3'
import { readerSaysSchema } from '../../../../shared/plan/plannedPosts'
import { bodyOf, route } from '../../../platform/http/route'
import { slowGuesses } from '../../../platform/http/slowGuesses'
import { readerSays } from '../../../plan/posts/planLinks'

/** Approves a post from outside, or asks for changes. */
export default route(async (event) => {
  const said = await bodyOf(event, readerSaysSchema)
  await slowGuesses(event, () => readerSays(getRouterParam(event, 'token') ?? '', said))
  return { ok: true }
})
