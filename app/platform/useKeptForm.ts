/** A form whose words are kept. */
export interface KeptForm {
  /** Forgets what is kept, once it was sent or given up on purpose. */
  forget: () => void
  /** Whether something typed before is in the form again. */
  isBack: Ref<boolean>
  /** Leaves what was typed before, and begins as the form was made. */
  beginAnew: () => void
}

/**
 * Keeps what is typed into a form in the browser until it is sent or given up on purpose: closing the form, or the
 * window, loses nothing.
 *
 * @param name  under which name it is kept; empty where nothing is to be kept
 */
export function useKeptForm<T extends object>(name: string, form: T): KeptForm {
  const isBack = ref(false)
  if (!name) return { forget: () => undefined, isBack, beginAnew: () => undefined }
  const place = `zaffer:form:${name}`
  const first = JSON.stringify(form)
  try {
    const kept = sessionStorage.getItem(place)
    if (kept && kept !== first) {
      Object.assign(form, JSON.parse(kept) as Partial<T>)
      isBack.value = true
    }
  } catch {
    // what is kept there is no form of ours
  }
  const stop = watch(form, (now) => sessionStorage.setItem(place, JSON.stringify(now)), { deep: true, flush: 'sync' })
  const forget = () => {
    stop()
    sessionStorage.removeItem(place)
  }
  const beginAnew = () => {
    const begun = JSON.parse(first) as T
    for (const part of Object.keys(form) as (keyof T)[]) form[part] = begun[part]
    sessionStorage.removeItem(place)
    isBack.value = false
  }
  return { forget, isBack, beginAnew }
}
