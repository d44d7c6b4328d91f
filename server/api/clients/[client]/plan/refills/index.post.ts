import { setResponseStatus } from 'h3'
import { refillSchema } from '../../../../../../shared/plan/refills'
import { bodyOf, clientRoute } from '../../../../../platform/http/route'
import { addRefill } from '../../../../../plan/refills/refills'

export default clientRoute('write', async ({ event, db, person }) => {
  const id = await addRefill(db, await bodyOf(event, refillSchema), person)
  setResponseStatus(event, 201)
  return { id }
})
