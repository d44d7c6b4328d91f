import { getQuery, type H3Event } from 'h3'
import { lastCompleteDay } from '../../core/days/lastCompleteDay'
import { now } from '../platform/clock'
import type { ClientDb } from '../platform/database/clientDb'
import { remembered } from './remembered'
import { sendJson } from '../platform/http/route'

/**
 * Answers a question about a client whose answer depends on its address and on what is kept of the client, and on
 * nothing else: it is worked out once, and again when something was written or a day is over.
 *
 * @param answer   works it out from what the database has at one moment
 * @param variant  what else it depends on, such as what the person may see
 */
export async function sendRemembered(
  event: H3Event,
  db: ClientDb,
  answer: (db: ClientDb) => Promise<unknown>,
  variant = '',
): Promise<string> {
  const path = event.path.split('?')[0]
  const query = Object.entries(getQuery(event))
    .map(([name, value]) => [name, String(value)] as const)
    .sort(([a], [b]) => (a < b ? -1 : 1))
  return sendJson(
    event,
    await remembered(db, JSON.stringify([path, query, variant, lastCompleteDay(now(), db.timeZone)]), answer),
  )
}
