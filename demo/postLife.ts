/** How many hours it takes the posts of a format to gather, and how evenly: a small number gathers early and long. */
const LIVES: Record<string, { hours: number; evenness: number }> = {
  text: { hours: 4, evenness: 0.75 },
  photo: { hours: 11, evenness: 0.8 },
  link: { hours: 6, evenness: 0.8 },
  video: { hours: 22, evenness: 0.85 },
  story: { hours: 7, evenness: 1.3 },
  clip: { hours: 30, evenness: 0.9 },
  film: { hours: 52, evenness: 0.95 },
  short: { hours: 26, evenness: 0.85 },
  live: { hours: 3, evenness: 1.4 },
  document: { hours: 18, evenness: 0.85 },
  pin: { hours: 64, evenness: 1 },
}
const USUAL_LIFE = { hours: 14, evenness: 0.85 }

/** After how many hours a post has brought all that it will. */
export const WHOLE_LIFE_HOURS = 168

/**
 * How much of all that it will bring a post of a format has brought at an age: a stretched exponential, which is all of
 * it after a week.
 *
 * @example shareOfLife('photo', 168) // 1
 */
export function shareOfLife(format: string, ageHours: number): number {
  if (ageHours <= 0) return 0
  if (ageHours >= WHOLE_LIFE_HOURS) return 1
  const { hours, evenness } = LIVES[format] ?? USUAL_LIFE
  const gathered = (age: number) => 1 - Math.exp(-((age / hours) ** evenness))
  return gathered(ageHours) / gathered(WHOLE_LIFE_HOURS)
}

/** The ages at which a post was looked at, in hours: often while it is young, more seldom later. */
export const LOOKED_AT_HOURS = [1, 2, 3, 4, 6, 8, 12, 16, 20, 24, 30, 36, 48, 60, 72, 96, 120, 144, 168] as const
