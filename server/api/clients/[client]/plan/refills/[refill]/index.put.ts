import { refillSchema } from '../../../../../../../shared/plan/refills'
import { bodyOf, clientRoute, idParam } from '../../../../../../platform/http/route'
import { changeRefill } from '../../../../../../plan/refills/refills'

export default clientRoute('write', async ({ event, db, person }) => {
  await changeRefill(db, idParam(event, 'refill', 'list'), await bodyOf(event, refillSchema), person)
  return { ok: true }
})
