/** The client of the page, and the beginning of its addresses. */
export function useClient() {
  const route = useRoute()
  const slug = computed(() => String(route.params.client ?? ''))
  const base = computed(() => `/api/clients/${slug.value}`)
  return { slug, base }
}
