import type { H3Event } from 'h3'
import { defineNitroPlugin } from 'nitropack/runtime'

/** Addresses that are no pages: all of a kind have the same rules of security, and no script to be let through by name. */
const kindOf = ({ path }: H3Event): string | undefined => /^\/(?:api|l|p)(?=\/)/.exec(path)?.[0]

/**
 * The rules of security of an address are worked out by the first request of its kind, and not anew by each: that took
 * a good part of what many of them are answered in.
 */
export default defineNitroPlugin(({ hooks }) => {
  const known = new Map<string, H3Event['context']['security']>()
  hooks.hook('request', (event) => {
    const found = known.get(kindOf(event) ?? '')
    if (found) event.context.security = { ...found }
  })
  hooks.hook('afterResponse', (event) => {
    const kind = kindOf(event)
    const { rules, route } = event.context.security ?? {}
    if (kind && rules && !known.has(kind)) known.set(kind, { rules: { ...rules, nonce: false }, route })
  })
})
