import type { Day } from '../days/day'

/**
 * Some months up to that of a day, the last one among them.
 *
 * @example monthsEnding('2026-02-14', 3) // ['2025-12', '2026-01', '2026-02']
 */
export function monthsEnding(last: Day, count: number): string[] {
  const [year, month] = last.split('-').map(Number) as [number, number]
  return Array.from({ length: count }, (_, index) => {
    const at = year * 12 + month - 1 - (count - 1 - index)
    return `${Math.floor(at / 12)}-${String((at % 12) + 1).padStart(2, '0')}`
  })
}
