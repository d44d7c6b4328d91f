import { lastCompleteDay } from '../../core/days/lastCompleteDay'
import { CLIENT_METRICS } from '../../core/metrics/figureSets'
import { clearOnPage } from '../../core/change/change'
import { compareFigures } from '../../core/rollup/compareFigures'
import { DEFAULT_PERIOD } from '../../shared/figures/scope'
import { clientsOf, releasedTo, type Person } from '../platform/people/people'
import { clientDb, type ClientDb } from '../platform/database/clientDb'
import { now } from '../platform/clock'
import { log } from '../platform/log'
import { newestEdition } from '../report/editions/editions'
import { remembered } from '../figures/remembered'
import { contextOf, rollUp } from '../figures/rollUp'
import { resolveScope } from '../figures/resolveScope'
import { whatIsOpen } from './whatIsOpen'
import type { ClientSummary } from '../../shared/clients'

/** Everything that a person may see, client by client, the largest movement first. */
export async function allClients(person: Person): Promise<ClientSummary[]> {
  const summaries = await Promise.all(
    (await clientsOf(person)).map(async (row) => {
      const db = clientDb(row)
      try {
        if (row.isOfPlaces === 1) return empty(db)
        if (!releasedTo(person, row).includes('figures'))
          return { ...empty(db), lastEdition: (await newestEdition(db)) ?? null }
        const whole = JSON.parse(
          await remembered(db, `summary ${lastCompleteDay(now(), db.timeZone)}`, (db) => summary(db)),
        ) as ClientSummary
        // what is due and what is in trouble is the agency's work
        return person.role === 'viewer' ? { ...whole, due: [], troubles: [] } : whole
      } catch (error) {
        log.error({ err: error, client: db.slug }, 'a client cannot be summed up')
        return {
          ...empty(db),
          problem: 'Its figures could not be worked out just now. Open the client to see what is wrong.',
        }
      }
    }),
  )
  // all of them stand on one page
  const held = clearOnPage(summaries.flatMap(({ figures }) => figures))
  let at = 0
  for (const summary of summaries) summary.figures = held.slice(at, (at += summary.figures.length))
  const movement = ({ figures }: ClientSummary) =>
    Math.max(0, ...figures.map(({ change }) => Math.abs(change?.relative ?? 0)))
  return summaries.sort((a, b) => movement(b) - movement(a) || a.name.localeCompare(b.name))
}

/** A client of whom nothing but its name is known here. */
const empty = ({ slug, name }: ClientDb): ClientSummary => ({
  slug,
  name,
  profiles: 0,
  period: '',
  against: '',
  figures: [],
  lastEdition: null,
  unusual: [],
  troubles: [],
  targets: [],
  due: [],
})

async function summary(db: ClientDb): Promise<ClientSummary> {
  const scope = await resolveScope(db, { who: [], sets: [], period: DEFAULT_PERIOD, against: 'before' })
  const [rolled, open, last] = await Promise.all([
    rollUp(db, scope, CLIENT_METRICS),
    whatIsOpen(db, scope),
    newestEdition(db),
  ])
  return {
    slug: db.slug,
    name: db.name,
    profiles: scope.allProfiles.length,
    period: scope.words.period,
    against: scope.words.against,
    figures: CLIENT_METRICS.map((metric) => compareFigures(metric, rolled, contextOf(db, scope))),
    ...open,
    lastEdition: last ?? null,
  }
}
