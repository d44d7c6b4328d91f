import { median } from '../statistics/median'
import { judgeKinds, type Judged } from './timesUsual'

/** A post of a format. */
export interface FormatPost {
  member: number
  format: string
  /** How far it was from usual of its profile, in logarithms, with what its format does. */
  rest?: number | undefined
}

/** How a format is used by a member, and how it does for it. */
export interface MemberFormat extends Judged {
  member: number
  posts: number
  /** Of all its posts. */
  share: number
}

export interface FormatHabit {
  format: string
  posts: number
  /** Those that use it, in the order of the members that were given. */
  members: MemberFormat[]
  /** The middle rival’s share of posts in this format; absent without a rival that posts. */
  rivalsShare?: number
}

/**
 * How the formats are used in a field: each member's mix, the middle rival's beside it, and how a format does for each
 * beside what is usual of its own profiles.
 *
 * @param members  everybody in the field; the client itself is 0
 * @returns        the format with most posts first
 * @example        formatHabits([{ member: 1, format: 'photo', rest: 0.1 }], [0, 1])[0].rivalsShare // 1
 */
export function formatHabits(posts: readonly FormatPost[], members: readonly number[]): FormatHabit[] {
  const totals = new Map<number, number>()
  const formats = new Map<string, Map<number, number[]>>()
  posts.forEach(({ member, format }, place) => {
    totals.set(member, (totals.get(member) ?? 0) + 1)
    const own = formats.get(format) ?? new Map<number, number[]>()
    const places = own.get(member)
    if (places) places.push(place)
    else own.set(member, [place])
    formats.set(format, own)
  })
  const rivals = members.filter((member) => member !== 0 && totals.has(member))
  const kinds = [...formats].flatMap(([format, own]) =>
    members.flatMap((member) => (own.has(member) ? [{ format, member, places: own.get(member)! }] : [])),
  )
  const judged = judgeKinds(
    posts.map(({ rest }) => rest),
    kinds.map(({ places }) => places),
  )
  const of = kinds.map(({ format, member, places }, index) => ({
    format,
    member,
    posts: places.length,
    share: places.length / totals.get(member)!,
    ...judged[index],
  }))
  const habits = [...formats].map(([format, own]): FormatHabit => {
    const middle = median(rivals.map((member) => (own.get(member)?.length ?? 0) / totals.get(member)!))
    return {
      format,
      posts: [...own.values()].reduce((sum, { length }) => sum + length, 0),
      members: of.flatMap(({ format: each, ...rest }) => (each === format ? [rest] : [])),
      ...(middle !== undefined && { rivalsShare: middle }),
    }
  })
  return habits.sort((a, b) => b.posts - a.posts || a.format.localeCompare(b.format))
}
