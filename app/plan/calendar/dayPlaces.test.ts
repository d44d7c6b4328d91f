import { describe, expect, it } from 'vitest'
import type { CalendarEntry } from '~~/shared/plan/postCalendar'
import { dayCurve, dayScale, dayTall, hang, timeY } from './dayPlaces'

const at = (minutes: number) => ({ minutes }) as CalendarEntry

describe('a day of the calendar', () => {
  it('begins at six, or with its first entry', () => {
    expect(dayScale([], false).from).toBe(6)
    expect(dayScale([at(200), at(900)], false).from).toBe(3)
    expect(dayTall(dayScale([], false))).toBe(18 * 42)
  })
  it('hangs entries at their time, and below each other where they would overlap', () => {
    const scale = dayScale([], false)
    const hung = hang([at(600), at(610), at(1200)], scale)
    expect(hung[0]!.y).toBe(timeY(600, scale))
    expect(hung[1]!.y).toBe(hung[0]!.y + scale.entryTall + 3)
    expect(hung[1]!.at).toBe(timeY(610, scale))
    expect(hung[2]!.y).toBe(timeY(1200, scale))
  })
  it('has a curve that is closed, and flat where nothing is known', () => {
    const curve = dayCurve(
      Array.from({ length: 24 }, (_, hour) => (hour === 20 ? 1 : null)),
      dayScale([], true),
      20,
    )
    expect(curve.startsWith('M0 0L0.0 0.0')).toBe(true)
    expect(curve).toContain('L20.0 392.0L20.0 420.0')
    expect(curve.endsWith('Z')).toBe(true)
  })
})
