const FOCUSABLE =
  'a[href], button:not([disabled]), input:not([disabled]):not([type="hidden"]), select:not([disabled]), ' +
  'textarea:not([disabled]), [tabindex]:not([tabindex="-1"])'

/** The first thing inside that takes the focus; one that asks for it goes before. */
export function firstFocusable(inside: HTMLElement): HTMLElement | undefined {
  const candidates = [...inside.querySelectorAll<HTMLElement>(FOCUSABLE)].filter(
    (element) => element.tabIndex >= 0 && element.offsetParent !== null,
  )
  return candidates.find((element) => element.hasAttribute('autofocus')) ?? candidates[0]
}
