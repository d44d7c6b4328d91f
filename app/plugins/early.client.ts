/** What was pressed while a page that was drawn on the server did not listen yet. */
interface Early {
  last?: { element?: HTMLElement; key?: string }
  stop: () => void
}

/**
 * A page that was drawn on the server can be seen before it listens. What somebody pressed meanwhile, the last of it, is
 * done as soon as it does: nobody has to press twice.
 */
export default defineNuxtPlugin({
  name: 'early',
  setup(nuxtApp) {
    const early = (window as unknown as { zafferEarly?: Early }).zafferEarly
    if (!early) return
    nuxtApp.hooks.hookOnce('app:suspense:resolve', async () => {
      await nextTick()
      early.stop()
      const { element, key } = early.last ?? {}
      if (element?.isConnected) element.click()
      if (key) document.body.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }))
    })
  },
})
