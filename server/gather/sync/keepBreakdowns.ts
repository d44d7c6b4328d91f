import { STORED_BREAKDOWNS } from '../../../core/breakdowns/breakdowns'
import { partIds } from '../../figures/questions/breakdownParts'
import type { ClientDb } from '../../platform/database/clientDb'
import type { BreakdownsPage } from '../connectors/connector'

const CODES = new Map(STORED_BREAKDOWNS.map(({ id, code }) => [id, code]))

/** Keeps a page of breakdowns. What a network gives for a day replaces what it gave before. */
export async function keepBreakdowns(
  db: ClientDb,
  profileId: number,
  { data }: Pick<BreakdownsPage, 'data'>,
): Promise<void> {
  const known = data.filter(({ breakdown, value }) => CODES.has(breakdown) && Number.isInteger(value) && value >= 0)
  const parts = await partIds(
    db,
    known.map(({ part }) => part),
  )
  await db.insertRows(
    'profile_day_breakdown',
    ['profile_id', 'breakdown', 'day', 'part_id', 'value'],
    known.map(({ breakdown, day, part, value }) => [profileId, CODES.get(breakdown), day, parts(part), value]),
    ['value'],
  )
}
