import { lookupSchema } from '../../../../../shared/scope'
import { bodyOf, clientRoute } from '../../../../http/route'
import { lookUp } from '../../../../work/addProfile'

/** What the networks have under a handle or an address, before anything is added. */
export default clientRoute('write', async ({ event, db }) => {
  const { what, network } = await bodyOf(event, lookupSchema)
  return await lookUp(db, what, network)
})
