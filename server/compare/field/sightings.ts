import { addDays, type Day } from '../../../core/days/day'
import { NETWORKS, networkById } from '../../../core/networks/networks'
import type { Period } from '../../../core/periods/period'
import { SIGHTING_KINDS, type Sighting, type SightingKind, type SightingsView } from '../../../shared/compare/sightings'
import { sightingWords } from '../../../shared/compare/sightingWords'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { notFound } from '../../platform/problems/problem'

/** How many are listed, the newest. */
const MOST_LISTED = 200
/** Entries older than this are no longer called for, in days. */
const CALLED_FOR_DAYS = 28

interface SightingRow {
  id: number
  kind: SightingKind
  subject: string
  network: string
  rival: string
  day: Day
  from: Day | null
  amount: number | null
  usual: number | null
  text: string
  settledBy: string | null
  isSettled: number
}

/** Whether somebody has settled an entry, or has added the profile that it is about. */
const IS_SETTLED = sql`(s.settled_at IS NOT NULL OR (s.kind = 'network' AND EXISTS (
    SELECT 1 FROM profile o WHERE o.client_id = s.client_id AND CONCAT(o.network, ' ', o.remote_id) = s.subject)))`

/** What is kept of kinds that are known here, of rivals that are watched. */
const WATCHED = sql`
    JOIN profile p ON p.client_id = s.client_id AND p.profile_id = s.profile_id AND p.is_rival = 1 AND p.is_active = 1`

/**
 * What rivals were seen to do within a period, the newest first.
 *
 * @param isAll  those too that are settled
 */
export async function sightingsOf(db: ClientDb, isAll: boolean, { from, to }: Period): Promise<SightingsView> {
  const kinds = [...SIGHTING_KINDS]
  const counted = await db.one<{ all: number; open: number }>(sql`
    SELECT COUNT(*) AS \`all\`, COALESCE(SUM(NOT ${IS_SETTLED}), 0) AS open
    FROM   sighting s ${WATCHED}
    WHERE  s.client_id = ${db.client} AND s.kind IN (${kinds}) AND s.day BETWEEN ${from} AND ${to}`)
  const rows = await db.rows<SightingRow>(sql`
    SELECT    s.sighting_id AS id, s.kind, s.subject, p.network, COALESCE(p.rival, p.name) AS rival, s.day,
              s.from_day AS \`from\`, s.amount, s.usual, s.text, u.name AS settledBy, ${IS_SETTLED} AS isSettled
    FROM      sighting s ${WATCHED}
    LEFT JOIN person u ON u.person_id = s.settled_by
    WHERE     s.client_id = ${db.client}
    AND       s.kind IN (${kinds})
    AND       s.day BETWEEN ${from} AND ${to}
    AND       (${isAll} OR NOT ${IS_SETTLED})
    ORDER BY  s.day DESC, s.sighting_id DESC
    LIMIT     ${MOST_LISTED}`)
  return { sightings: rows.map(read), all: Number(counted!.all), open: Number(counted!.open) }
}

function read({ subject, settledBy, isSettled, from, amount, usual, ...row }: SightingRow): Sighting {
  const other = row.kind === 'network' ? subject.split(' ')[0]! : row.network
  const network = NETWORKS.some(({ id }) => id === other) ? other : row.network
  return {
    ...row,
    network,
    networkName: networkById(network).name,
    ...(from !== null && { from }),
    ...(amount !== null && { amount: Number(amount) }),
    ...(usual !== null && { usual }),
    settledBy: settledBy ?? '',
    isSettled: isSettled === 1,
  }
}

/** Says that somebody has read an entry, or that it is open after all. @throws Problem 404 when there is none */
export async function settleSighting(db: ClientDb, id: number, isSettled: boolean, person: number): Promise<void> {
  const row = await db.one(sql`SELECT sighting_id FROM sighting WHERE client_id = ${db.client} AND sighting_id = ${id}`)
  if (!row) throw notFound('entry')
  await db.run(sql`
    UPDATE sighting
    SET    settled_at = IF(${isSettled}, NOW(), NULL), settled_by = IF(${isSettled}, ${person}, NULL)
    WHERE  client_id = ${db.client}
    AND    sighting_id = ${id}`)
}

/** What of the last four weeks nobody has settled, in words; undefined where nothing is. */
export async function openSightingsWords(db: ClientDb, last: Day): Promise<string | undefined> {
  const { sightings, open } = await sightingsOf(db, false, { from: addDays(last, 1 - CALLED_FOR_DAYS), to: last })
  const [newest] = sightings
  if (!newest) return undefined
  const others = open - 1
  const more = others > 0 ? ` And ${others} ${others === 1 ? 'other thing' : 'other things'} that rivals did.` : ''
  return `${newest.rival} ${sightingWords(newest, 'en-GB')}${more}`
}
