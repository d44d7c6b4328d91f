import type { Pool } from 'mysql2/promise'
import { addDays } from '../core/days/day'
import { unit } from '../demo/random'
import { fieldHabits } from '../server/compare/habits/fieldHabits'
import { fieldOf } from '../server/compare/field/field'
import { fieldLines } from '../server/compare/field/fieldLines'
import { watchField } from '../server/compare/field/watchField'
import { resolveScope } from '../server/figures/resolveScope'
import { fieldSchema } from '../shared/compare/field'
import { fieldLinesSchema } from '../shared/compare/fieldLines'
import { habitsSchema } from '../shared/compare/habits'
import { largeClient } from './database'
import { median, ms, report, times } from './measure'

const END = '2026-10-28'
const [RIVALS, PROFILES_EACH, OWN, POSTS] = [50, 4, 4, 60_000]

/** A field of 50 rivals with four profiles each, of two years and 60,000 posts, beside the bare SQL that it needs. */
export async function benchField(pool: Pool): Promise<void> {
  const db = await largeClient(pool, 'field', OWN + RIVALS * PROFILES_EACH, 730, END)
  const [rows] = await pool.query('SELECT profile_id AS id FROM profile WHERE client_id = ? ORDER BY 1', [db.clientId])
  const ids = (rows as { id: number }[]).map(({ id }) => id)
  for (let rival = 0; rival < RIVALS; rival++)
    await pool.query('UPDATE profile SET is_rival = 1, rival = ? WHERE profile_id IN (?)', [
      `Rival ${rival}`,
      ids.slice(OWN + rival * PROFILES_EACH, OWN + (rival + 1) * PROFILES_EACH),
    ])
  for (let first = 0; first < POSTS; first += 5000)
    await db.insertRows(
      'post',
      ['profile_id', 'remote_id', 'published_at', 'day', 'format', 'text', 'reactions', 'comments', 'shares'],
      Array.from({ length: 5000 }, (_, index) => {
        const number = first + index
        const day = addDays(END, -Math.floor(unit(number, 'day') * 730))
        return [
          ids[number % ids.length],
          String(number),
          `${day} ${String(8 + (number % 12)).padStart(2, '0')}:00:00`,
          day,
          ['photo', 'clip', 'text', 'link'][number % 4],
          `What we saw today before the gates open. #tag${Math.floor(unit(number, 'tag') ** 2 * 300)}`,
          Math.floor(unit(number, 'much') * 400),
          number % 9,
          number % 5,
        ]
      }),
    )
  const scope = await resolveScope(db, { who: [], sets: [], period: '2026-10-01..2026-10-28', against: 'before' })
  const field = await median(21, () => fieldOf(db, scope, fieldSchema.cast({})))
  const bare = await median(21, async () => {
    await pool.query(
      'SELECT profile_id, SUM(reactions + comments + shares), SUM(posts), SUM(views), MAX(followers) FROM profile_day ' +
        'WHERE client_id = ? AND profile_id IN (?) AND day BETWEEN ? AND ? GROUP BY profile_id',
      [db.clientId, ids, addDays(END, -55), END],
    )
    await pool.query(
      'SELECT profile_id, day, followers FROM profile_day WHERE client_id = ? AND profile_id IN (?) AND day BETWEEN ? AND ?',
      [db.clientId, ids, addDays(END, -371), END],
    )
    await pool.query(
      'SELECT profile_id, text, reactions + comments + shares AS much FROM post WHERE client_id = ? ' +
        'AND profile_id IN (?) AND day BETWEEN ? AND ? ORDER BY much DESC LIMIT 8',
      [db.clientId, ids, addDays(END, -27), END],
    )
  })
  report(
    'a field of 50 rivals with four profiles each, 28 days against the 28 before',
    { 'worked out': ms(field), 'bare SQL': ms(bare), 'rate': times(field / bare) },
    { text: 'at most twice the bare SQL', met: field <= 2 * bare },
  )
  const lines = await median(3, () => fieldLines(db, scope, fieldLinesSchema.cast({ line: 'interactions' })))
  const weeks = await median(3, () =>
    pool.query(
      'SELECT profile_id, day, reactions + comments + shares FROM profile_day WHERE client_id = ? AND profile_id IN (?) ' +
        'AND day BETWEEN ? AND ?',
      [db.clientId, ids, addDays(END, -371), END],
    ),
  )
  report('that field week by week, over a year', {
    'worked out': ms(lines),
    'bare SQL': ms(weeks),
    'rate': times(lines / weeks),
  })
  report('looking what those rivals did that is not as usual', {
    'worked out': ms(await median(3, () => watchField(db))),
  })
  const habits = await median(3, () => fieldHabits(db, scope, habitsSchema.cast({})))
  const read = await median(3, () =>
    pool.query(
      'SELECT profile_id, published_at, day, format, text, reactions, comments, shares FROM post WHERE client_id = ? ' +
        'AND day BETWEEN ? AND ?',
      [db.clientId, addDays(END, -408), END],
    ),
  )
  report('what that field posts, over a year', {
    'worked out': ms(habits),
    'bare SQL': ms(read),
    'rate': times(habits / read),
  })
}
