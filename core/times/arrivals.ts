import { slotTotals } from './slots'

/** What a post had brought when it was looked at. */
export interface Look {
  at: number
  value: number
}

/** When people responded, whatever the time of publishing. */
export interface Arrivals {
  /** 168 parts of everything that could be placed; they add up to 1. Absent where nothing could. */
  slots?: number[]
  /** How much came in, and how much of it between two looks that were close enough. */
  all: number
  placed: number
}

/** Two looks further apart than this do not tell in which hour something came. */
export const CLOSE_HOURS = 4
const HOUR_MS = 3_600_000

/**
 * In which hours of the week interactions came in: what was gained between two looks at a post is spread evenly over
 * the time between them, where that is four hours at the most. What was taken back counts as nothing.
 *
 * @param posts  of each when it was published and the looks at it, the earliest first
 * @param zone   in whose week they are told
 * @example      arrivals([{ publishedAt: 0, looks: [{ at: 3_600_000, value: 8 }] }], 'UTC').slots?.[72] // 1
 */
export function arrivals(posts: readonly { publishedAt: number; looks: readonly Look[] }[], zone: string): Arrivals {
  const pieces: { at: number; value: number }[] = []
  let [all, placed] = [0, 0]
  for (const { publishedAt, looks } of posts) {
    let before = { at: publishedAt, value: 0 }
    for (const look of looks) {
      const gained = look.value - before.value
      const lasted = look.at - before.at
      if (gained > 0 && lasted > 0) {
        all += gained
        if (lasted <= CLOSE_HOURS * HOUR_MS) {
          placed += gained
          for (let from = before.at; from < look.at; ) {
            const to = Math.min(look.at, (Math.floor(from / (HOUR_MS / 4)) + 1) * (HOUR_MS / 4))
            pieces.push({ at: from, value: (gained * (to - from)) / lasted })
            from = to
          }
        }
      }
      if (look.at > before.at) before = look
    }
  }
  return { all, placed, ...(placed > 0 && { slots: slotTotals(pieces, zone).map((sum) => sum / placed) }) }
}
