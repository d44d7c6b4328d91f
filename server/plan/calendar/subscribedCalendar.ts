import { addDays } from '../../../core/days/day'
import { spanStep } from '../../../core/calendar/spans'
import { dayAt } from '../../../core/days/lastCompleteDay'
import { calendarSchema } from '../../../shared/plan/postCalendar'
import { parseScope } from '../../../shared/figures/scope'
import { resolveScope } from '../../figures/resolveScope'
import { now } from '../../platform/clock'
import { thisHour } from '../../read/times/times'
import { openFeed } from '../posts/planLinks'
import { planOf } from '../posts/planView'
import { calendarFile } from './calendarFile'
import { calendarOf } from './postCalendar'

/** How many days a subscribed calendar shows before today and after it. */
const [BACK, AHEAD] = [28, 61]

/**
 * What was posted in the last weeks, what is planned and what is tried, as iCalendar for whoever has subscribed.
 *
 * @throws Problem 404 when the address does not hold any more
 */
export async function subscribedCalendar(token: string): Promise<string> {
  const db = await openFeed(token)
  const today = dayAt(now(), db.timeZone)
  const scope = await resolveScope(db, parseScope({}))
  const months: string[] = []
  for (let day = addDays(today, -BACK); day <= addDays(today, AHEAD); day = spanStep(day, 'month', 1)) months.push(day)
  const views = await Promise.all(
    months.map((month) => calendarOf(db, scope, calendarSchema.validateSync({ on: month, span: 'month' }), thisHour())),
  )
  const [before, ahead] = await Promise.all([
    planOf(db, addDays(today, -BACK), addDays(today, -1)),
    planOf(db, today, addDays(today, AHEAD)),
  ])
  return calendarFile(
    db,
    { entries: views.flatMap(({ entries }) => entries), planned: [...before.posts, ...ahead.posts] },
    now(),
  )
}
