import type { ShownEntry } from './shownEntries'

/** How a day is drawn from top to bottom: from which hour on, how tall an hour and an entry are, in pixels. */
export interface DayScale {
  from: number
  hourTall: number
  entryTall: number
}

/** Days are drawn from six in the morning on, or from the first entry. */
const USUAL_FROM = 6
const APART = 3

/**
 * The scale on which some entries fit.
 *
 * @example dayScale([], false).from // 6
 */
export const dayScale = (entries: readonly ShownEntry[], isTight: boolean): DayScale => ({
  from: Math.min(USUAL_FROM, ...entries.map(({ minutes }) => Math.floor(minutes / 60))),
  hourTall: isTight ? 28 : 42,
  entryTall: isTight ? 24 : 54,
})

/** Where a time stands, in pixels from the top. */
export const timeY = (minutes: number, { from, hourTall }: DayScale): number => (minutes / 60 - from) * hourTall

/** Which time of the day it is at a place, in minutes. */
export const minutesAt = (y: number, { from, hourTall }: DayScale): number => (y / hourTall + from) * 60

/** How tall a whole day is. */
export const dayTall = ({ from, hourTall }: DayScale): number => (24 - from) * hourTall

/**
 * Where the entries of a day hang: at their time, or below the one before where that is in the way.
 *
 * @param entries  in the order of their times
 */
export function hang(entries: readonly ShownEntry[], scale: DayScale): { entry: ShownEntry; at: number; y: number }[] {
  let free = 0
  return entries.map((entry) => {
    const at = timeY(entry.minutes, scale)
    const y = Math.max(at, free)
    free = y + scale.entryTall + APART
    return { entry, at, y }
  })
}

/**
 * The audience of a day as a curve that runs down it: a step for each hour.
 *
 * @param hours  24 parts of the fullest; null where nothing is known
 * @param wide   how far the fullest reaches
 */
export function dayCurve(hours: readonly (number | null)[], scale: DayScale, wide: number): string {
  const steps = hours.slice(scale.from).map((value, index) => {
    const x = ((value ?? 0) * wide).toFixed(1)
    return `L${x} ${(index * scale.hourTall).toFixed(1)}L${x} ${((index + 1) * scale.hourTall).toFixed(1)}`
  })
  return `M0 0${steps.join('')}L0 ${dayTall(scale)}Z`
}
