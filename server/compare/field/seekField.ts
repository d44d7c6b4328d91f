import { dayNumber, type Day } from '../../../core/days/day'
import { lastCompleteDay } from '../../../core/days/lastCompleteDay'
import { networkById, NETWORKS } from '../../../core/networks/networks'
import { plainHandle } from '../../../core/networks/profileAddress'
import type { PublicProfile } from '../../../shared/gather/publicProfile'
import { profilesOf, type ProfileRow } from '../../figures/questions/profileRows'
import { now } from '../../platform/clock'
import { JobPostponed } from '../../platform/jobs/context'
import { jobModule } from '../../platform/jobs/job'
import { rivalsAmong } from './groups'
import { FIELD_SEEK } from './jobs'
import { keepSightings, type NewSighting } from './watchField'

/** How many handles of one rival are asked for, and how often a network is asked in one look. */
const MOST_HANDLES = 4
const MOST_ASKED = 400

/** What asks a network for a handle. */
type Ask = (network: string, handle: string) => Promise<PublicProfile | undefined>

interface Wanted {
  lead: number
  network: string
  handle: string
}

/** The handles of each rival on each network on which it has no profile, not even one that is switched off. */
const wantedOf = (profiles: readonly ProfileRow[]): Wanted[] =>
  rivalsAmong(profiles).flatMap(({ id: lead, name, profiles: own }) => {
    const taken = new Set(profiles.filter((row) => (row.rival ?? row.name) === name).map(({ network }) => network))
    const handles = [...new Set(own.map(({ handle }) => plainHandle(handle)))].slice(0, MOST_HANDLES)
    return NETWORKS.filter(({ id }) => !taken.has(id)).flatMap(({ id }) =>
      handles.map((handle) => ({ lead, network: id, handle })),
    )
  })

/** Those that have their turn on a day: where there are more than are asked for, every day begins further on. */
function turnOf(wanted: readonly Wanted[], day: Day): Wanted[] {
  const from = wanted.length > MOST_ASKED ? (dayNumber(day) * MOST_ASKED) % wanted.length : 0
  return [...wanted.slice(from), ...wanted.slice(0, from)].slice(0, MOST_ASKED)
}

/**
 * The job that asks every network whether a rival is there under one of its handles, where it has no profile yet. That
 * such a profile is the rival's nobody knows: it is an entry that somebody looks at.
 */
export const seekFieldJob = (ask: Ask) =>
  jobModule(FIELD_SEEK, async ({ db, step, finish }) => {
    const profiles = await profilesOf(db)
    const known = new Set(profiles.map(({ network, remote_id: id }) => `${network} ${id}`))
    const day = lastCompleteDay(now(), db.timeZone)
    const wanted = turnOf(wantedOf(profiles), day)
    // a network that asks to wait has its turn with the next look
    const full = new Set<string>()
    let done = 0
    for (const { lead, network, handle } of wanted) {
      if (full.has(network)) continue
      const found = await ask(network, handle).catch((error: unknown) => {
        if (!(error instanceof JobPostponed)) throw error
        full.add(network)
        return undefined
      })
      const seen: NewSighting[] =
        found && !known.has(`${network} ${found.remoteId}`)
          ? [
              {
                kind: 'network',
                profile: lead,
                subject: `${network} ${found.remoteId}`,
                day,
                text: found.handle,
                ...(found.followers !== null && { amount: found.followers }),
              },
            ]
          : []
      done++
      if (seen.length > 0)
        await step(
          (inside) => keepSightings(inside, seen),
          () => ({ done, total: wanted.length, message: `${networkById(network).name} was asked.` }),
        )
    }
    await finish(undefined, 'The networks were asked for the rivals.')
  })
