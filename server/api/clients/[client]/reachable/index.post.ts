import { estimateSchema } from '../../../../../shared/read/reachable'
import { askEstimate } from '../../../../gather/connectors/askEstimate'
import { bodyOf, clientRoute } from '../../../../platform/http/route'
import { askReachable } from '../../../../read/audience/reachable'

/** How many people a network says could be reached. */
export default clientRoute('write', async ({ event }) => {
  const asked = await bodyOf(event, estimateSchema)
  return await askReachable(askEstimate(asked.network), asked)
})
