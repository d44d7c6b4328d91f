import { getQuery } from 'h3'
import { parseScope } from '../../../../../shared/figures/scope'
import { calendarSchema } from '../../../../../shared/plan/postCalendar'
import { resolveScope } from '../../../../figures/resolveScope'
import { sendRemembered } from '../../../../figures/sendRemembered'
import { clientRoute } from '../../../../platform/http/route'
import { calendarOf } from '../../../../plan/calendar/postCalendar'
import { thisHour } from '../../../../read/times/times'

/** A month, a week or a day of the calendar: true for the hour that it is. */
export default clientRoute('figures', async ({ event, db }) => {
  const query = getQuery(event)
  const scope = parseScope(query)
  const asked = calendarSchema.validateSync(query, { stripUnknown: true })
  const at = thisHour()
  return await sendRemembered(
    event,
    db,
    async (db) => await calendarOf(db, await resolveScope(db, scope), asked, at),
    String(at),
  )
})
