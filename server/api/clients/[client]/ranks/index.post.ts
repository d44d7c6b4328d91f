import { setResponseStatus } from 'h3'
import { rankWatchSchema } from '../../../../../shared/read/ranks'
import { bodyOf, clientRoute } from '../../../../platform/http/route'
import { addWatch } from '../../../../read/ranks/rankWatches'

export default clientRoute('write', async ({ event, db }) => {
  const input = await bodyOf(event, rankWatchSchema)
  setResponseStatus(event, 201)
  return { id: await addWatch(db, input) }
})
