import { placeManySchema } from '../../../../../../shared/plan/weeklySlots'
import { bodyOf, clientRoute } from '../../../../../platform/http/route'
import { placeMany } from '../../../../../plan/posts/weeklySlots'

/** Puts many posts on free slots: where they would go, and, once that was looked at, the same done. */
export default clientRoute('write', async ({ event, db }) => await placeMany(db, await bodyOf(event, placeManySchema)))
