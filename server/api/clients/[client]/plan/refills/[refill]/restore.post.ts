import { clientRoute, idParam } from '../../../../../../platform/http/route'
import { removeRefill } from '../../../../../../plan/refills/refills'

export default clientRoute('write', async ({ event, db }) => {
  await removeRefill(db, idParam(event, 'refill', 'list'), false)
  return { ok: true }
})
