import { oneDecimal } from '~~/core/format/numbers'
import type { PlacesView } from '~~/shared/read/places'

/**
 * Which place has the highest near end of its rate, and whether chance alone may part it from the middle one.
 *
 * @example bestWords({ id: 1, name: 'Kiosk', perViews: { value: 60, low: 51, high: 71 } }, { perViews: 54, places: 5 }, 'en')
 * // 'By the near end of its band Kiosk stands highest, with 60.0; chance alone may part it from the middle place.'
 */
export function bestWords(
  { name, perViews }: NonNullable<PlacesView['best']>,
  median: PlacesView['median'],
  locale: string,
): string {
  const isOpen = median !== undefined && perViews.low <= median.perViews
  return (
    `By the near end of its band ${name} stands highest, with ${oneDecimal(perViews.value, locale)}` +
    (isOpen ? '; chance alone may part it from the middle place.' : '.')
  )
}
