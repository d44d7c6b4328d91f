import PQueue from 'p-queue'
import { plainHandle } from '../../../core/networks/profileAddress'
import { activeProfiles, profilesOf, type ProfileRow } from '../../figures/questions/profileRows'
import type { ClientDb } from '../../platform/database/clientDb'
import { Problem } from '../../platform/problems/problem'
import type { Suggested, Suggestions } from '../../../shared/gather/suggestions'
import { connectorFor } from '../connectors/connectorFor'

/** How many own profiles are asked about, those first that came first; how many at once, and how long all may take. */
const MOST_ASKED = 24
const AT_ONCE = 6
const LONGEST_MS = 20_000
/** How many organisations are suggested. */
const MOST_SUGGESTED = 10

/**
 * Whom those follow too who follow the client’s own profiles, without those that are in the list already: who might be a
 * rival. Profiles of one name or handle are taken for one organisation; whether they are somebody looks at.
 *
 * @throws Problem 502 when a network does not answer, 504 when they take too long
 */
export async function suggestRivals(db: ClientDb): Promise<Suggestions> {
  const [own, listed] = await Promise.all([activeProfiles(db), profilesOf(db)])
  const askable = own.flatMap((profile) => {
    const ask = connectorFor({ connector: profile.network, remoteId: profile.remote_id }).alsoFollowed
    return ask ? [{ profile, ask }] : []
  })
  const asked = askable.slice(0, MOST_ASKED)
  const known = new Set(listed.map(({ network, remote_id: id }) => `${network} ${id}`))
  const seen = new Map<string, Suggested>()
  const end = Date.now() + LONGEST_MS
  const queue = new PQueue({ concurrency: AT_ONCE })
  const answers = await queue.addAll(
    asked.map(({ profile, ask }) => async () => {
      if (Date.now() > end)
        throw new Problem(504, 'It takes too long', 'The networks answer too slowly. Try again in a moment.')
      const told = await ask().catch((error: Error) => {
        throw new Problem(502, 'A network does not answer', `${error.message} Try again in a moment.`)
      })
      return { profile, told }
    }),
  )
  for (const { profile, told } of answers)
    for (const { share, ...other } of told) {
      const key = `${profile.network} ${other.remoteId}`
      if (known.has(key)) continue
      const before = seen.get(key)
      const of = [...(before?.of ?? []), { profile: wordsOf(profile), share }].sort((a, b) => b.share - a.share)
      seen.set(key, { ...other, network: profile.network, networkName: profile.networkName, of })
    }
  return {
    organisations: organisationsOf([...seen.values()]),
    asked: asked.map(({ profile }) => wordsOf(profile)),
    untold: own.length - askable.length,
    beyond: askable.length - asked.length,
  }
}

const wordsOf = ({ name, networkName }: ProfileRow): string => `${name} on ${networkName}`

/** Profiles by the organisation that they seem to belong to, by name or handle, those first that are followed most. */
function organisationsOf(profiles: readonly Suggested[]): Suggestions['organisations'] {
  const most = ({ of }: Suggested) => of[0]!.share
  const signsOf = ({ name, handle }: Suggested) => [name.replace(/^@/, '').toLowerCase(), plainHandle(handle)]
  const groups: { signs: Set<string>; own: Suggested[] }[] = []
  for (const profile of [...profiles].sort((a, b) => most(b) - most(a) || a.remoteId.localeCompare(b.remoteId))) {
    const signs = signsOf(profile)
    const group = groups.find((each) => signs.some((sign) => each.signs.has(sign)))
    if (group) {
      group.own.push(profile)
      for (const sign of signs) group.signs.add(sign)
    } else groups.push({ signs: new Set(signs), own: [profile] })
  }
  return groups.slice(0, MOST_SUGGESTED).map(({ own }) => ({ name: nameOf(own), profiles: own }))
}

/** What an organisation is called: a name, where one of its profiles has more than its handle. */
const nameOf = (own: readonly Suggested[]): string =>
  (own.find(({ name, handle }) => plainHandle(name) !== plainHandle(handle)) ?? own[0]!).name
