/** The queries that show figures. */
const WITH_FIGURES = [
  'overview',
  'workings',
  'why',
  'unusual',
  'posts',
  'profiles',
  'all-clients',
  'parts',
  'subject',
  'targets',
]
const LOOK_EVERY_MS = 1200

/**
 * Keeps what is on the screen true: while a sync, an import or an undo changes the client's figures they are asked for
 * again, also when the person has gone on to another page meanwhile.
 */
export function useFreshness(): void {
  const cache = useQueryCache()
  const { description } = useScope()
  const isWriting = computed(() => (description.data.value?.writing ?? 0) > 0)
  const askAgain = () => Promise.all(WITH_FIGURES.map((name) => cache.invalidateQueries({ key: [name] })))
  useIntervalFn(async () => {
    if (!isWriting.value) return
    await description.refetch()
    await askAgain()
  }, LOOK_EVERY_MS)
}
