import { getRouterParam } from 'h3'
import { route } from '../../../http/route'
import { slowGuesses } from '../../../http/slowGuesses'
import { forOutsiders, openShare } from '../../../reports/editions'

/** One edition, for whoever holds its link. */
export default route(async (event) => {
  const { edition, reader } = await slowGuesses(event, () => openShare(getRouterParam(event, 'token') ?? ''))
  return { edition: forOutsiders(edition, reader) }
})
