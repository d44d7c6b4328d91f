import { inRefillSchema } from '../../../../../../../../shared/plan/refills'
import { bodyOf, clientRoute, idParam } from '../../../../../../../platform/http/route'
import { putIntoRefill } from '../../../../../../../plan/refills/refills'

export default clientRoute('write', async ({ event, db }) => {
  const { isIn } = await bodyOf(event, inRefillSchema)
  await putIntoRefill(db, idParam(event, 'refill', 'list'), idParam(event, 'post', 'planned post'), isIn)
  return { ok: true }
})
