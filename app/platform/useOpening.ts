/**
 * Says that something is open, from the moment in which it is asked for: no shortcut works meanwhile, also not while it
 * is still being loaded.
 */
export function useOpening(isOpen: () => unknown): void
export function useOpening(isOpen: Ref<unknown>): void
export function useOpening(isOpen: Ref<unknown> | (() => unknown)): void {
  const shell = useShell()
  let counted = false
  const count = (open: boolean) => {
    if (open === counted) return
    counted = open
    shell.openings += open ? 1 : -1
  }
  watch(isOpen, (open) => count(!!open), { flush: 'sync', immediate: true })
  onScopeDispose(() => count(false))
}

/**
 * Whether something lies over the page or is being opened: what is counted, and what opens by itself, such as the list
 * of a field.
 */
export const isSomethingOpen = (): boolean =>
  useShell().openings > 0 || document.querySelector('[role="dialog"], [role="listbox"], [role="menu"]') !== null
