import { parseScope, scopeAddress, type ScopeQuery } from '~~/shared/figures/scope'
import type { ScopeDescription } from '~~/shared/figures/description'

/** Who, when and against what: read from the address and written to it, so that every page and every link shares it. */
export function useScope() {
  const { query, push } = usePageAddress()
  const session = useSession()
  const { tick } = useFirstSteps()
  const { slug, base } = useClient()
  const parsed = computed<{ scope: ScopeQuery; error?: string }>(() => {
    try {
      return { scope: parseScope(query.value) }
    } catch (error) {
      return { scope: parseScope({}), error: (error as Error).message }
    }
  })
  const scope = computed(() => parsed.value.scope)
  const address = computed(() =>
    parsed.value.error ? (query.value as Record<string, string>) : scopeAddress(scope.value),
  )

  const description = useQuery({
    key: () => ['scope', slug.value, address.value],
    enabled: () => session.may(slug.value, 'places'),
    query: () => api<ScopeDescription>(`${base.value}/scope`, { query: address.value }),
  })

  /** Changes a part of the scope; the page that was shown stays one step back. */
  async function change(part: Partial<ScopeQuery>): Promise<void> {
    tick('scope')
    const none = { who: undefined, period: undefined, against: undefined }
    await push({ ...none, ...scopeAddress({ ...scope.value, ...part }) })
  }

  return { scope, address, change, description, error: computed(() => parsed.value.error) }
}
