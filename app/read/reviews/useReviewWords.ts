import { oneDecimal } from '~~/core/format/numbers'

/** How means of stars and spans of time are written, in the reader's language. */
export function useReviewWords() {
  const locale = useLocale()
  const two = new Intl.NumberFormat(locale, { minimumFractionDigits: 2, maximumFractionDigits: 2 })
  return {
    mean: (value: number | undefined): string => (value === undefined ? '—' : two.format(value)),
    spans: (hours: number | undefined): string =>
      hours === undefined
        ? '—'
        : hours < 72
          ? `${oneDecimal(hours, locale)} hours`
          : `${oneDecimal(hours / 24, locale)} days`,
  }
}
