import { dayNumber } from '../../../core/days/day'
import type { FactColumn } from '../../../core/metrics/storedFigures'
import { lengthOf, type Period } from '../../../core/periods/period'
import type { DenseDays } from '../../../core/rollup/denseDays'
import type { ClientDb } from '../../platform/database/clientDb'
import { raw, sql, type Query } from '../../platform/database/sql'

/**
 * Profiles day by day. The days of a profile come as one text, a number for the day and one for each column (a dash
 * for none), which is several times faster to read than a row for each day; the room for such a text is set with the
 * question, and a text that was cut off is an error.
 *
 * @returns the days of every profile that has any, by profile
 */
export async function daysOf(
  db: ClientDb,
  profiles: readonly number[],
  period: Period,
  columns: readonly FactColumn[],
): Promise<Map<number, DenseDays>> {
  if (profiles.length === 0 || columns.length === 0) return new Map()
  const numbers = columns
    .map((column): Query<false> => sql`COALESCE(${raw(column)}, '-')`)
    .reduce((list, number) => sql`${list}, ${number}`)
  const rows = await db.rows<{ profile_id: number; days: number; packed: string }>(sql`
    SET STATEMENT group_concat_max_len = 67108864 FOR
    SELECT   profile_id, COUNT(*) AS days,
             GROUP_CONCAT(CONCAT_WS(',', DATEDIFF(day, ${period.from}),
             ${numbers}) SEPARATOR ';') AS packed
    FROM     profile_day
    WHERE    client_id = ${db.client}
    AND      profile_id IN (${profiles})
    AND      day BETWEEN ${period.from} AND ${period.to}
    GROUP BY profile_id`)
  const [first, length] = [dayNumber(period.from), lengthOf(period)]
  return new Map(
    rows.map(({ profile_id: profile, days, packed }) => {
      // all columns of a profile in one piece of memory
      const all = new Float64Array(length * columns.length).fill(Number.NaN)
      const values = columns.map((_, index) => all.subarray(index * length, (index + 1) * length))
      if (unpack(packed, values) !== days) throw new Error(`the days of profile ${profile} were cut off`)
      return [profile, { first, columns: Object.fromEntries(columns.map((column, index) => [column, values[index]])) }]
    }),
  )
}

const [COMMA, SEMICOLON, MINUS, ZERO] = [44, 59, 45, 48]

/** Reads the numbers of a packed text into columns. @returns how many whole days there were */
function unpack(packed: string, values: readonly Float64Array[]): number {
  let days = 0
  let field = -1
  let place = 0
  let number = 0
  let isAbsent = false
  for (let index = 0; index <= packed.length; index++) {
    const code = index === packed.length ? SEMICOLON : packed.charCodeAt(index)
    if (code === MINUS) isAbsent = true
    else if (code !== COMMA && code !== SEMICOLON) number = number * 10 + code - ZERO
    else {
      if (field < 0) place = number
      else if (!isAbsent) values[field]![place] = number
      field++
      number = 0
      isAbsent = false
      if (code === SEMICOLON) {
        if (field === values.length) days++
        field = -1
      }
    }
  }
  return days
}
