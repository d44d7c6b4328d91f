/**
 * In which way a line is drawn: as what there was, as growth from one week to the next, beside its own beginning, or as
 * part of what all have.
 */
export const LINE_FORMS = [
  { id: 'level', name: 'as it was' },
  { id: 'change', name: 'as change from week to week' },
  { id: 'index', name: 'as index, first week = 100' },
  { id: 'share', name: 'as share of all' },
] as const
export type LineForm = (typeof LINE_FORMS)[number]['id']

/** Week after week of one profile; a week that is not known whole has no value. */
export interface ProfileWeeks {
  name: string
  values: readonly (number | undefined)[]
}

/** A week from which a line is made of other profiles than before. */
export interface SeriesBreak {
  week: number
  /** The profiles that begin with this week, and those that have ended with the one before. */
  begins: string[]
  ends: string[]
}

export interface MemberLine {
  values: (number | undefined)[]
  breaks: SeriesBreak[]
}

/**
 * The line of a member that is made of several profiles, week by week. A week has a value where every profile that has
 * begun and not ended is known; where the profiles are others than the week before, the series is broken, and that is
 * said. Change and index rest on the profiles alone that both of their weeks have, so that they go on over a break and
 * compare like with like: a change is a share (0.02 is 2 %), an index is 100 in the first week with a value. A share of
 * all is made from the levels of all members: see `shareLines`.
 *
 * @param profiles  all of the same weeks
 * @example         memberLine([{ name: 'a', values: [10, 20] }], 'index') // { values: [100, 200], breaks: [] }
 */
export function memberLine(profiles: readonly ProfileWeeks[], form: Exclude<LineForm, 'share'>): MemberLine {
  const known = profiles.flatMap(({ name, values }) => {
    const from = values.findIndex((value) => value !== undefined)
    const after = [...values].reverse().findIndex((value) => value !== undefined)
    return from < 0 ? [] : [{ name, values, from, to: values.length - 1 - after }]
  })
  const weeks = Math.max(0, ...profiles.map(({ values }) => values.length))
  const at = (week: number) => known.filter(({ from, to }) => week >= from && week <= to)
  const levels = Array.from({ length: weeks }, (_, week) => sumOf(at(week), week))
  const first = levels.findIndex((value) => value !== undefined)
  const breaks = Array.from({ length: weeks }, (_, week): SeriesBreak => {
    const inside = first >= 0 && week > first && at(week).length > 0 && at(week - 1).length > 0
    return {
      week,
      begins: inside ? known.filter(({ from }) => from === week).map(({ name }) => name) : [],
      ends: inside ? known.filter(({ to }) => to === week - 1).map(({ name }) => name) : [],
    }
  }).filter(({ begins, ends }) => begins.length + ends.length > 0)
  const beside = (week: number, base: number): number | undefined => {
    if (levels[week] === undefined || levels[base] === undefined) return undefined
    const both = known.filter(({ values }) => values[week] !== undefined && values[base] !== undefined)
    const [now, then] = [sumOf(both, week), sumOf(both, base)]
    return now !== undefined && then !== undefined && then > 0 ? now / then : undefined
  }
  const values = levels.map((level, week) => {
    if (form === 'level') return level
    if (form === 'change') {
      const ratio = week > 0 ? beside(week, week - 1) : undefined
      return ratio === undefined ? undefined : ratio - 1
    }
    const ratio = first < 0 ? undefined : beside(week, first)
    return ratio === undefined ? undefined : 100 * ratio
  })
  return { values, breaks }
}

/**
 * What part of all each member has, week by week. Who has not begun is none of all; a week in which one of the others is
 * not known has no shares, and neither has one in which there is nothing.
 *
 * @param levels  the lines of all members as levels, of the same weeks
 * @returns       from 0 to 1 (0.25 is 25 %); together 1 in every week that has any
 * @example       shareLines([{ values: [30], breaks: [] }, { values: [10], breaks: [] }])[1].values // [0.25]
 */
export function shareLines(levels: readonly MemberLine[]): MemberLine[] {
  const begun = levels.map(({ values }) => ({ values, from: values.findIndex((value) => value !== undefined) }))
  const weeks = Math.max(0, ...levels.map(({ values }) => values.length))
  const totals = Array.from({ length: weeks }, (_, week) =>
    sumOf(
      begun.filter(({ from }) => from >= 0 && week >= from),
      week,
    ),
  )
  return levels.map(({ values, breaks }) => ({
    values: values.map((value, week) => {
      const total = totals[week]
      return value === undefined || !total ? undefined : value / total
    }),
    breaks,
  }))
}

/** The sum over some profiles in a week; undefined where there are none, or where one is not known. */
function sumOf(profiles: readonly Pick<ProfileWeeks, 'values'>[], week: number): number | undefined {
  let sum = 0
  for (const { values } of profiles) {
    const value = values[week]
    if (value === undefined) return undefined
    sum += value
  }
  return profiles.length > 0 ? sum : undefined
}
