import type { TagView } from '~~/shared/read/tags'

/** The tags of the client, by name. */
export function useTags() {
  const { slug, base } = useClient()
  const { data, error, isLoading } = useQuery({
    key: () => ['tags', slug.value],
    query: () => api<TagView[]>(`${base.value}/tags`),
  })
  const tags = computed(() => data.value ?? [])
  return { tags, byId: computed(() => new Map(tags.value.map((tag) => [tag.id, tag]))), error, isLoading }
}
