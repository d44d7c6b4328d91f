import { setResponseStatus } from 'h3'
import { keptEstimateSchema } from '../../../../../../shared/read/reachable'
import { askEstimate } from '../../../../../gather/connectors/askEstimate'
import { bodyOf, clientRoute } from '../../../../../platform/http/route'
import { keepReachable } from '../../../../../read/audience/reachable'

export default clientRoute('write', async ({ event, db, person }) => {
  const kept = await bodyOf(event, keptEstimateSchema)
  setResponseStatus(event, 201)
  return { id: await keepReachable(db, askEstimate(kept.asked.network), kept, person.id) }
})
