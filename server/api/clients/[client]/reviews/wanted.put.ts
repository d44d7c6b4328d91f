import { wantedHoursSchema } from '../../../../../shared/read/reviews'
import { bodyOf, clientRoute } from '../../../../platform/http/route'
import { setWantedHours } from '../../../../read/reviews/wantedHours'

export default clientRoute('write', async ({ event, db }) => {
  await setWantedHours(db, (await bodyOf(event, wantedHoursSchema)).hours)
  return { ok: true }
})
