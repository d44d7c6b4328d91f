import { getQuery, setResponseHeader } from 'h3'
import { parseScope } from '../../../../../shared/figures/scope'
import { calendarSchema, isPlanWanted } from '../../../../../shared/plan/postCalendar'
import { resolveScope } from '../../../../figures/resolveScope'
import { nameFile } from '../../../../platform/http/sendTables'
import { clientRoute } from '../../../../platform/http/route'
import { calendarFile } from '../../../../plan/calendar/calendarFile'
import { calendarOf } from '../../../../plan/calendar/postCalendar'
import { planOf } from '../../../../plan/posts/planView'
import { thisHour } from '../../../../read/times/times'

/** What a month, a week or a day of the calendar shows, as iCalendar. */
export default clientRoute('figures', async ({ event, db, person }) => {
  const query = getQuery(event)
  const asked = calendarSchema.validateSync(query, { stripUnknown: true })
  const at = thisHour()
  const view = await calendarOf(db, await resolveScope(db, parseScope(query)), asked, at)
  nameFile(event, `${db.name}, posts, ${view.period.from} to ${view.period.to}`, 'ics')
  setResponseHeader(event, 'Content-Type', 'text/calendar; charset=utf-8')
  // what is planned is the agency’s work: a viewer has what was published
  const isPlanned = person.role !== 'viewer' && asked.only === '' && asked.tags === ''
  const plan = isPlanned ? (await planOf(db, view.period.from, view.period.to)).posts : []
  const planned = plan.filter((each) => isPlanWanted(each, asked.state, query.who ? view.profiles : undefined))
  return calendarFile(db, { entries: view.entries, planned }, at)
})
