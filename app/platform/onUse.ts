import type { Component, HydrationStrategy } from 'vue'

/** What begins the fetching. A click, and a key that is pressed, are done once more when it has come. */
const BEGINS = ['pointerover', 'pointerdown', 'focusin', 'keydown', 'click'] as const

/**
 * A component that was drawn on the server and is fetched when it is first pointed at, focused or pressed, or has
 * something else to show: until then the page does without its script. What was pressed meanwhile is done as soon as it
 * listens. Where it could not be fetched, the next use asks again. On a page that is drawn in the browser it comes with
 * the page.
 *
 * @example const SelectOnUse = onUse(() => import('primevue/select').then((select) => select.default))
 */
export function onUse<Used extends Component>(fetch: () => Promise<Used>): Used {
  const fetched = defineAsyncComponent(fetch) as unknown as Component & { __asyncLoader: () => Promise<unknown> }
  return defineComponent({
    inheritAttrs: false,
    setup(_props, { attrs, slots }) {
      // what is drawn here already stands as it was until it listens
      const isWaiting = ref(getCurrentInstance()!.vnode.el !== null)
      const drawn = { ...attrs }
      let isWanted = false
      let use = async () => void (isWanted = true)
      const hydrate: HydrationStrategy = (listen, forEach) => {
        use = async () => {
          // the loader keeps a failure for good, so that it is asked for what has come alone
          await fetch()
          await fetched.__asyncLoader()
          if (!isWaiting.value) return
          end()
          listen()
          isWaiting.value = false
        }
        const end = whenPressed(forEach, use)
        if (isWanted) void use()
        return end
      }
      // one for each place: what has come for one place waits in the others
      const waiting = defineAsyncComponent({ loader: () => Promise.resolve(fetched), hydrate })
      onBeforeUpdate(() => void (isWaiting.value && use()))
      return () => h(waiting, isWaiting.value ? drawn : attrs, slots)
    },
  }) as unknown as Used
}

/** Asks for something when it is first used, and does the last that was pressed before it was there. */
function whenPressed(forEach: (each: (element: Element) => void) => void, use: () => Promise<void>): () => void {
  let isAsked = false
  let last: Event | undefined
  const begin = async (event: Event) => {
    if (event instanceof KeyboardEvent ? !['Tab', 'Shift'].includes(event.key) : event.type === 'click') last = event
    if (isAsked) return
    isAsked = true
    try {
      await use()
    } catch (error) {
      isAsked = false
      throw error
    }
    await nextFrames()
    if (!(last?.target instanceof Element)) return
    // a key is for whatever has the focus: who has gone on does not press it again
    if (!(last instanceof KeyboardEvent)) last.target.dispatchEvent(new MouseEvent(last.type, last))
    else if (document.activeElement === last.target) last.target.dispatchEvent(new KeyboardEvent(last.type, last))
  }
  const each = (change: 'addEventListener' | 'removeEventListener') =>
    forEach((element) => BEGINS.forEach((kind) => element[change](kind, begin)))
  each('addEventListener')
  return () => each('removeEventListener')
}
