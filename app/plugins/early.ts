import { parseScope, scopeAddress } from '~~/shared/figures/scope'

/**
 * An address that leads to an overview needs its figures: they are asked for while the page itself is still being
 * loaded.
 */
export default defineNuxtPlugin({
  name: 'early',
  enforce: 'pre',
  setup() {
    const client = /^\/([^/]+)\/overview$/.exec(location.pathname)?.[1]
    if (!client) return
    const query = Object.fromEntries(new URLSearchParams(location.search))
    try {
      const scope = scopeAddress(parseScope(query))
      const base = `/api/clients/${client}`
      const { metric = 'impressions', second, figures, by, headlines, columns } = query
      askEarly(`${base}/overview`, { ...scope, metric, second, figures, by, headlines, columns })
      askEarly(`${base}/scope`, scope)
      askEarly(`${base}/notes`, scope)
      askEarly(`${base}/subject`, { ...scope, metric })
    } catch {
      // the page says what is wrong with the address
    }
  },
})
