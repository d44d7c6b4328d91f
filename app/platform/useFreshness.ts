const LOOK_EVERY_MS = 1200
/** How often everything on the screen is asked for again, however fast a sync writes. */
const ASK_EVERY_MS = 5000

/**
 * Keeps what is on the screen true: while a sync, an import or an undo is going on, it looks whether figures were
 * written, and asks for them again only then, also when the person has gone on to another page meanwhile.
 */
export function useFreshness(): void {
  const refresh = useRefresh()
  const { description } = useScope()
  const isWriting = computed(() => (description.data.value?.writing ?? 0) > 0)
  useIntervalFn(() => isWriting.value && void description.refetch(), LOOK_EVERY_MS)
  const written = computed(() => {
    const { client, figuresVersion } = description.data.value ?? {}
    return client && { slug: client.slug, figuresVersion }
  })
  const ask = useThrottleFn(() => refresh('figures'), ASK_EVERY_MS, true)
  watch(written, (now, before) => {
    if (now && now.slug === before?.slug && now.figuresVersion !== before.figuresVersion) void ask()
  })
}
