import { searchSchema } from '../../../../../shared/scope'
import { bodyOf, clientRoute } from '../../../../http/route'
import { findProfiles, keepSearch } from '../../../../work/findProfiles'

export default clientRoute('write', async ({ event, db }) => {
  const { address, handle } = await bodyOf(event, searchSchema)
  const found = await findProfiles(db, address, handle)
  await keepSearch(db, found)
  return found
})
