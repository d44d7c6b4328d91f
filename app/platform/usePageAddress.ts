import type { LocationQuery, LocationQueryRaw, Router } from 'vue-router'

/** What the router is on its way to, of each router. */
const AHEAD = new WeakMap<Router, Ref<LocationQuery | undefined>>()
type Parts = Readonly<Record<string, string | number | undefined>>

/**
 * What stands in the address of a page behind its path, and how parts of it are changed. A change counts from the moment
 * it is made, while the router is still on its way: of two keys pressed quickly, the second goes on from the first, and
 * of two choices none is lost.
 */
export function usePageAddress() {
  const route = useRoute()
  const router = useRouter()
  const ahead = AHEAD.get(router) ?? shallowRef<LocationQuery>()
  AHEAD.set(router, ahead)
  const query = computed<LocationQuery>(() => ahead.value ?? route.query)
  async function go(way: 'push' | 'replace', parts: Parts, hash?: string) {
    const all = Object.entries<LocationQueryRaw[string]>({ ...query.value, ...parts })
    const to = Object.fromEntries(
      all
        .filter(([, value]) => value !== undefined && value !== '')
        .map(([name, value]) => [name, typeof value === 'number' ? String(value) : value]),
    ) as LocationQuery
    ahead.value = to
    try {
      await router[way]({ ...(hash !== undefined && { hash }), query: to })
    } finally {
      if (ahead.value === to) ahead.value = undefined
    }
  }
  return {
    query,
    /** Changes parts of it; what was shown stays one step back. One that is empty is taken out. */
    push: (parts: Parts, hash?: string) => go('push', parts, hash),
    /** The same, in place of what was shown. */
    replace: (parts: Parts) => go('replace', parts),
  }
}
