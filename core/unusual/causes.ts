import { dayNumber, type Day } from '../days/day'
import { includes, type Period } from '../periods/period'
import { UNUSUAL_ABOVE } from './modifiedZ'
import type { JudgedDay } from './unusualDays'

/** A stretch of unusual days, on one profile or on several, that is taken for one cause. */
export interface Cause {
  from: Day
  to: Day
  direction: 'up' | 'down'
  /** How strongly all of its days and profiles speak for it together. */
  score: number
  /** Every value and its usual are below 30. */
  isSmall: boolean
  members: { profile: number; days: JudgedDay[] }[]
}

/** Days next to an unusual one belong to it when they lean the same way by this much; one day between may lean less. */
const LEANS = 2

/** Above this strength days that lean the same way are unusual together, though none of them is alone. */
const TOGETHER_ABOVE = 4

/**
 * How much another profile's days have to lean the same way on average to belong to the same cause: less, the longer it
 * lasts.
 */
const leansTogether = (days: number): number => Math.max(1.2, 2.5 / Math.sqrt(days))

/**
 * The causes behind unusual days, the strongest first. A day is unusual when the modified z-score is above 3.5 in size,
 * or days that follow each other are so together (their scores added, over the root of their number, are above 4); days
 * beside it that lean the same way are the same cause, and so are the other profiles that lean the same way on those
 * days.
 *
 * @param judged  the judged days of each profile
 * @example       causesOf(new Map([[1, judgedDays(values, period)]]))[0]?.from
 */
export function causesOf(judged: ReadonlyMap<number, readonly JudgedDay[]>): Cause[] {
  const runs = [...judged]
    .flatMap(([profile, days]) => runsOf(days).map((run) => ({ profile, run })))
    .sort((a, b) => strength(b.run) - strength(a.run))
  const taken = new Set<JudgedDay>()
  const causes: Cause[] = []
  for (const { profile, run } of runs) {
    if (run.some((day) => taken.has(day))) continue
    const sign = Math.sign(run[0]!.score)
    const span = { from: run[0]!.day, to: run.at(-1)!.day }
    const others = [...judged].flatMap(([other, days]) => {
      if (other === profile) return []
      const own = runs.find(
        (each) => each.profile === other && Math.sign(each.run[0]!.score) === sign && isMostlyIn(each.run, span),
      )?.run
      const during = own ?? days.filter((day) => includes(span, day.day))
      const mean = during.reduce((sum, { score }) => sum + sign * score, 0) / during.length
      return during.length > 0 && !during.some((day) => taken.has(day)) && (own || mean >= leansTogether(during.length))
        ? [{ profile: other, days: [...during] }]
        : []
    })
    const together = [{ profile, days: run }, ...others]
    for (const { days } of together) for (const day of days) taken.add(day)
    const shared = sharedDays(together)
    const members = together
      .map((member) => ({ ...member, days: member.days.filter((day) => includes(shared, day.day)) }))
      .filter(({ days }) => days.length > 0)
      .sort((x, y) => strength(y.days) - strength(x.days))
    const all = members.flatMap(({ days }) => days)
    causes.push({
      ...shared,
      direction: sign > 0 ? 'up' : 'down',
      score: strength(all),
      isSmall: all.every(({ isSmall }) => isSmall),
      members,
    })
  }
  return causes.sort((a, b) => b.score - a.score)
}

/**
 * From the first to the last day on which half of the profiles lean: the run of one of them may be longer by chance.
 * Where they share no day, those of the strongest.
 */
function sharedDays(members: readonly { days: readonly JudgedDay[] }[]): { from: Day; to: Day } {
  const counts = new Map<Day, number>()
  for (const { days } of members) for (const { day } of days) counts.set(day, (counts.get(day) ?? 0) + 1)
  const shared = [...counts]
    .filter(([, count]) => count * 2 >= members.length)
    .map(([day]) => day)
    .sort()
  const own = members[0]!.days
  return { from: shared[0] ?? own[0]!.day, to: shared.at(-1) ?? own.at(-1)!.day }
}

/** Several days that say the same are stronger than one: the sum of their scores, each with the variance of one. */
const strength = (days: readonly JudgedDay[]): number =>
  Math.abs(days.reduce((sum, { score }) => sum + score, 0)) / Math.sqrt(days.length)

/**
 * The runs of one profile: days that lean the same way, with one day between at the most, of which one is unusual or
 * that are so together.
 */
function runsOf(days: readonly JudgedDay[]): JudgedDay[][] {
  const runs: JudgedDay[][] = []
  for (let from = 0; from < days.length; from++) {
    const sign = Math.sign(days[from]!.score)
    const leans = (place: number) => days[place] !== undefined && sign * days[place].score >= LEANS
    if (!leans(from)) continue
    const isNext = (place: number, by: number) =>
      leans(place + by) && dayNumber(days[place + by]!.day) - dayNumber(days[place]!.day) === by
    let to = from
    for (;;) {
      if (isNext(to, 1)) to++
      else if (isNext(to, 2)) to += 2
      else break
    }
    const run = days.slice(from, to + 1)
    if (run.some(({ score }) => Math.abs(score) > UNUSUAL_ABOVE) || strength(run) > TOGETHER_ABOVE) runs.push(run)
    from = to
  }
  return runs
}

const isMostlyIn = (run: readonly JudgedDay[], span: Period): boolean =>
  run.filter(({ day }) => includes(span, day)).length * 2 >= run.length

/** Whether a note touches a stretch of days: days with a note count as explained. */
export const isExplained = ({ from, to }: Period, notes: readonly Period[]): boolean =>
  notes.some((note) => note.from <= to && note.to >= from)
