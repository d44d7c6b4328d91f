/**
 * A moment as it stands beside a slot: its day and its time on the clocks of a zone, with the weekday where it is asked
 * for.
 *
 * @param at  milliseconds since 1970 UTC, or a date
 * @example   slotMoment(Date.parse('2026-10-29T12:30Z'), { zone: 'Europe/London', locale: 'en-GB', withWeekday: true })
 *            // 'Thu 29 Oct, 12:30'
 */
export const slotMoment = (
  at: number | Date,
  { zone, locale, withWeekday = false }: { zone: string; locale: string; withWeekday?: boolean },
): string =>
  new Date(at).toLocaleString(locale, {
    ...(withWeekday && { weekday: 'short' }),
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
    hourCycle: 'h23',
    timeZone: zone,
  })
