import { getRouterParam } from 'h3'
import { route } from '../../../http/route'
import { forOutsiders, openShare } from '../../../reports/editions'

/** One edition, for whoever holds its link. */
export default route(async (event) => {
  const { edition } = await openShare(getRouterParam(event, 'token') ?? '')
  return { edition: forOutsiders(edition) }
})
