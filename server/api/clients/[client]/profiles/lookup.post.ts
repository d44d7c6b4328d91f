import { lookupSchema } from '../../../../../shared/gather/profiles'
import { bodyOf, clientRoute } from '../../../../platform/http/route'
import { lookUp } from '../../../../gather/profiles/addProfile'

/** What the networks have under a handle or an address, before anything is added. */
export default clientRoute('write', async ({ event, db }) => {
  const { what, network } = await bodyOf(event, lookupSchema)
  return await lookUp(db, what, network)
})
