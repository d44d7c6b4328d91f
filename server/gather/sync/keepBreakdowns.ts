import { STORED_BREAKDOWNS } from '../../../core/breakdowns/breakdowns'
import { rowKey } from '../../../core/datasets/dataset'
import { PROFILE_DAY_BREAKDOWN } from '../../../core/datasets/datasets'
import { broughtByFiles } from '../../figures/questions/storedRows'
import { partIds } from '../../figures/questions/breakdownParts'
import type { ClientDb } from '../../platform/database/clientDb'
import type { BreakdownsPage } from '../connectors/connector'

const CODES = new Map(STORED_BREAKDOWNS.map(({ id, code }) => [id, code]))

/** Keeps a page of breakdowns. What a network gives for a day replaces what it gave before; what a file has brought stands. */
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
  const rows = known.map(({ breakdown, day, part, value }) => [
    profileId,
    CODES.get(breakdown)!,
    day,
    parts(part)!,
    value,
  ])
  const brought = await broughtByFiles(
    db,
    PROFILE_DAY_BREAKDOWN,
    rows.map((row) => row.slice(0, 4)),
  )
  await db.insertRows(
    'profile_day_breakdown',
    ['profile_id', 'breakdown', 'day', 'part_id', 'value'],
    rows.filter((row) => !brought.has(rowKey(row.slice(0, 4)))),
    ['value'],
  )
}
