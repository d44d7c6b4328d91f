import { appendFileSync, existsSync, readFileSync, writeFileSync } from 'node:fs'
import { dayNumber, type Day } from '../core/days/day'

/** A post that was given to a network. */
export interface Posted {
  key: string
  network: string
  profile: string
  remoteId: string
  publishedAt: string
  day: Day
  format: string
  text: string
  /** What its picture shows, and of which type it is. */
  picture?: { type: string; alt: string }
  /** What stands for the page that it links to. */
  preview?: { title: string; description: string; hasPicture: boolean }
}

/** The first number of posts that were given on a day; those of the invented world have the smaller ones. */
const FIRST_NUMBER = 100

/**
 * The posts that were given to the networks, each kept in a file before the network says that it has it: a network that
 * is killed has them again when it comes back.
 *
 * @param file  where they are kept; in memory alone, where it is left out
 */
export function postedPosts(file?: string) {
  const byKey = new Map<string, Posted>()
  const byDay = new Map<string, Posted[]>()
  const pictures = new Map<string, Buffer>()
  const dayKey = (profile: string, day: Day) => `${profile} ${day}`

  function hold(posted: Posted): void {
    byKey.set(posted.key, posted)
    const key = dayKey(posted.profile, posted.day)
    byDay.set(key, [...(byDay.get(key) ?? []), posted])
  }
  if (file && existsSync(file))
    for (const line of readFileSync(file, 'utf8').split('\n'))
      // a line that a crash has cut was never answered for
      if (line.endsWith('}')) hold(JSON.parse(line) as Posted)

  return {
    byKey: (key: string): Posted | undefined => byKey.get(key),
    on: (profile: string, day: Day): readonly Posted[] => byDay.get(dayKey(profile, day)) ?? [],
    all: (): readonly Posted[] => [...byKey.values()],
    pictureOf: (remoteId: string): Buffer | undefined =>
      pictures.get(remoteId) ??
      (file && existsSync(`${file}.${remoteId}`) ? readFileSync(`${file}.${remoteId}`) : undefined),
    /** Keeps a post under its key. */
    keep(post: Omit<Posted, 'remoteId'>, picture?: Buffer): Posted {
      const number = FIRST_NUMBER + (byDay.get(dayKey(post.profile, post.day))?.length ?? 0)
      const remoteId = `${post.profile.slice(0, 8)}${String(dayNumber(post.day)).padStart(6, '0')}${number}`
      const posted = { ...post, remoteId }
      if (picture && file) writeFileSync(`${file}.${remoteId}`, picture)
      else if (picture) pictures.set(remoteId, picture)
      if (file) appendFileSync(file, `\n${JSON.stringify(posted)}`, { flush: true })
      hold(posted)
      return posted
    },
  }
}
export type PostedPosts = ReturnType<typeof postedPosts>
