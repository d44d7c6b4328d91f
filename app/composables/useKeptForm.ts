/**
 * Keeps what is typed into a form in the browser until it is sent or given up on purpose: closing the form, or the window, loses nothing.
 *
 * @param name  under which name it is kept; empty where nothing is to be kept
 * @returns     what forgets it
 */
export function useKeptForm<T extends object>(name: string, form: T): () => void {
  if (!name) return () => undefined
  const place = `zaffer:form:${name}`
  try {
    Object.assign(form, JSON.parse(sessionStorage.getItem(place) ?? '{}') as Partial<T>)
  } catch {
    // what is kept there is no form of ours
  }
  const stop = watch(form, (now) => sessionStorage.setItem(place, JSON.stringify(now)), { deep: true, flush: 'sync' })
  return () => {
    stop()
    sessionStorage.removeItem(place)
  }
}
