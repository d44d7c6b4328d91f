import type { PollView } from '~~/shared/read/polls'

/** The polls of the client, for whatever shows them. */
export function usePolls() {
  const { slug, base } = useClient()
  const { data, error, isLoading } = useQuery({
    key: () => ['polls', slug.value],
    query: () => api<PollView[]>(`${base.value}/polls`),
  })
  return { polls: computed(() => data.value ?? []), error, isLoading }
}
