import { getRouterParam } from 'h3'
import { route } from '../../../platform/http/route'
import { slowGuesses } from '../../../platform/http/slowGuesses'
import { approvalView } from '../../../plan/posts/planLinks'

/** A post that waits for approval, for whoever holds its link. */
export default route((event) => slowGuesses(event, () => approvalView(getRouterParam(event, 'token') ?? '')))
