import { clientRoute } from '../../../../platform/http/route'
import { weeklySlots } from '../../../../plan/posts/weeklySlots'

/** At which times of the week posts go out, and which are free next. */
export default clientRoute('work', ({ db }) => weeklySlots(db))
