import { SLOTS, slotName } from '~~/core/times/slots'
import type { Rounding } from '~~/core/format/formatter'
import { formatCount, formatShare, formatSignedShare } from '~~/core/format/numbers'
import type { TimesMark, TimesView } from '~~/shared/read/times'

/** The drawing of a week: seven lines, one for a day, one above the other. */
export const WEEK = { width: 660, step: 52, tall: 44, left: 92, top: 26 } as const
/** The largest and the smallest mark of a post. */
const [LARGEST, SMALLEST] = [6.5, 1.6]

/** Where an hour of the day stands. */
export const hourX = (hour: number): number => (hour / 24) * WEEK.width
/** Where the ground of a day's line stands. */
export const dayY = (day: number): number => (day + 1) * WEEK.step

/** How high something stands above its ground. */
export const heightOf = (value: number, most: number): number => (most > 0 ? (value / most) * WEEK.tall : 0)

/**
 * The line of a day: a step for each hour, so that no slope is drawn where only a number is known; a gap where none is.
 *
 * @param values  168, as parts of the largest
 * @returns       its pieces, each with its area
 */
export function dayLine(
  values: readonly (number | null)[],
  day: number,
  most: number,
): { line: string; area: string }[] {
  const pieces: { line: string; area: string }[] = []
  let [from, line] = [0, '']
  const end = (hour: number) => {
    if (line)
      pieces.push({ line: `M${line}`, area: `M${hourX(from)} ${dayY(day)}L${line}L${hourX(hour)} ${dayY(day)}Z` })
    line = ''
  }
  for (let hour = 0; hour < 24; hour++) {
    const value = values[day * 24 + hour]
    if (value === null || value === undefined) {
      end(hour)
      continue
    }
    if (!line) from = hour
    const y = (dayY(day) - heightOf(value, most)).toFixed(1)
    line += `${line ? 'L' : ''}${hourX(hour).toFixed(1)} ${y}L${hourX(hour + 1).toFixed(1)} ${y}`
  }
  end(24)
  return pieces
}

/** How large the mark of a post is: by its area, from nothing at all to three times usual and more. */
export const markRadius = (beside: number): number =>
  Math.max(SMALLEST, LARGEST * Math.sqrt(Math.min(3, Math.max(0, 1 + beside)) / 3))

export const markPlace = ({ hours }: TimesMark) => ({ x: hourX(hours % 24), y: dayY(Math.floor(hours / 24)) })

/** The slot of a place in the drawing, measured from its left and top. */
export function slotAt(x: number, y: number): number {
  const hour = Math.min(23, Math.max(0, Math.floor((x / WEEK.width) * 24)))
  const day = Math.min(6, Math.max(0, Math.ceil(y / WEEK.step) - 1))
  return day * 24 + hour
}

/**
 * The slot to which a key leads: hour by hour to the sides, day by day up and down, around the week.
 *
 * @returns undefined where the key means nothing here
 */
export function slotByKey(slot: number, key: string): number | undefined {
  const steps: Record<string, number> = {
    ArrowRight: slot + 1,
    ArrowLeft: slot - 1,
    ArrowDown: slot + 24,
    ArrowUp: slot - 24,
    Home: slot - (slot % 24),
    End: slot - (slot % 24) + 23,
  }
  const to = steps[key]
  return to === undefined ? undefined : (to + SLOTS) % SLOTS
}

/** Everything that is known of a slot, in words. */
export function slotWords(view: TimesView, slot: number, locale: string): string {
  const { lift, posts, missing } = view.lifts[slot]!
  const there = view.there?.slots[slot]
  const signed = (share: number, rounding?: Rounding) => formatSignedShare(share, locale, rounding)
  return [
    slotName(slot),
    ...(there
      ? [
          `${formatCount(Math.round(there.people), locale)} followers there, ${formatShare(there.ofAll, locale)} of all, ` +
            `${formatShare(there.ofFullest, locale)} of the fullest hour`,
        ]
      : []),
    lift
      ? `${posts} posts, lift ${signed(lift.value)}, between ${signed(lift.low, 'down')} and ${signed(lift.high, 'up')}`
      : `${posts === 0 ? 'no post' : posts === 1 ? '1 post' : `${posts} posts`}, ${missing} more for a lift`,
  ].join(': ')
}
