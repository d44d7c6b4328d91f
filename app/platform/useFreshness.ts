const LOOK_EVERY_MS = 1200

/**
 * Keeps what is on the screen true: while a sync, an import or an undo changes the client's figures they are asked for
 * again, also when the person has gone on to another page meanwhile.
 */
export function useFreshness(): void {
  const refresh = useRefresh()
  const { description } = useScope()
  const isWriting = computed(() => (description.data.value?.writing ?? 0) > 0)
  useIntervalFn(async () => {
    if (!isWriting.value) return
    await description.refetch()
    await refresh('figures')
  }, LOOK_EVERY_MS)
}
