/** A day as the calendar wants it: midnight of the browser's own zone. */
export function dateOf(day: string): Date {
  const [year, month, dayOfMonth] = day.split('-').map(Number)
  return new Date(year!, month! - 1, dayOfMonth)
}

/** The day that was chosen in the calendar. */
export const dayOfDate = (date: Date): string =>
  `${date.getFullYear()}-${String(date.getMonth() + 1).padStart(2, '0')}-${String(date.getDate()).padStart(2, '0')}`
