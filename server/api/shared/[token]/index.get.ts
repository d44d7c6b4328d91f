import { getRouterParam } from 'h3'
import { route } from '../../../platform/http/route'
import { slowGuesses } from '../../../platform/http/slowGuesses'
import { forOutsiders, openShare } from '../../../report/editions/editions'

/** One edition, for whoever holds its link. */
export default route(async (event) => {
  const { edition, reader } = await slowGuesses(event, () => openShare(getRouterParam(event, 'token') ?? ''))
  return { edition: forOutsiders(edition, reader) }
})
