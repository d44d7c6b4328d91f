import type { ListedPost } from '~~/shared/read/content'
import type { PostList } from '~~/shared/read/postList'

const scopeOf = ({ who = '', period = '', against = '' }: Record<string, string>) =>
  JSON.stringify([who, period, against])

/**
 * The posts of a list as far as somebody has gone on in it: the first of them by themselves, the next when they are
 * wanted. Another question begins anew.
 *
 * @param asked  what is asked of the list, all of which stands in the address
 */
export function usePostList(asked: () => Record<string, string>) {
  const { slug, base } = useClient()
  const say = useSay()
  const ask = (query: Record<string, string>) => api<PostList>(`${base.value}/posts`, { query })
  let shownOf = ''
  const { data, error, isLoading, isPlaceholderData } = useQuery({
    key: () => ['posts', slug.value, asked()],
    query: () => ask(asked()),
    // the same posts in another order stay until they are ordered; those of other days or profiles do not
    placeholderData: (previous) => (shownOf === scopeOf(asked()) ? previous : undefined),
  })
  const later = shallowRef<ListedPost[]>([])
  const next = ref<string | null>(null)
  const isGoingOn = ref(false)
  watch(
    data,
    (first) => {
      later.value = []
      if (first && !isPlaceholderData.value) shownOf = scopeOf(asked())
      next.value = first?.next ?? null
    },
    { immediate: true },
  )
  /** Brings the next posts; those of a question that was left meanwhile are not taken. */
  async function goOn() {
    if (next.value === null || isGoingOn.value) return
    const first = data.value
    isGoingOn.value = true
    try {
      const list = await ask({ ...asked(), after: next.value })
      if (data.value !== first) return
      later.value = [...later.value, ...list.posts]
      next.value = list.next
    } catch (problem) {
      say.problem(problem)
    } finally {
      isGoingOn.value = false
    }
  }
  return {
    posts: computed(() => [...(data.value?.posts ?? []), ...later.value]),
    total: computed(() => data.value?.total ?? 0),
    formats: computed(() => data.value?.formats ?? []),
    hasMore: computed(() => next.value !== null),
    isGoingOn,
    goOn,
    error,
    isLoading: computed(() => isLoading.value && !data.value),
  }
}
