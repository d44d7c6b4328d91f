import { searchSchema } from '../../../../../shared/gather/find'
import { bodyOf, clientRoute } from '../../../../platform/http/route'
import { findProfiles, keepSearch } from '../../../../gather/find/findProfiles'

export default clientRoute('write', async ({ event, db }) => {
  const { address, handle } = await bodyOf(event, searchSchema)
  const found = await findProfiles(db, address, handle)
  await keepSearch(db, found)
  return found
})
