/** What a reader does to move on by themselves. */
const MOVES = ['wheel', 'touchmove', 'pointerdown', 'keydown'] as const
const LONGEST_MS = 5000

/**
 * Leads to a part of the page that the address names: when it is there, and again while what stands above it still
 * grows, until the reader moves.
 *
 * @param id  of the part's element
 */
export function useArrival(id: string): void {
  const route = useRoute()
  onMounted(() => {
    const element = document.getElementById(id)
    if (!element || route.hash !== `#${id}`) return
    element.focus({ preventScroll: true })
    const { stop } = useResizeObserver(document.getElementById('page'), () => element.scrollIntoView())
    const { start } = useTimeoutFn(stop, LONGEST_MS)
    start()
    for (const move of MOVES) useEventListener(window, move, stop, { once: true, passive: true })
    onBeforeUnmount(stop)
  })
}
