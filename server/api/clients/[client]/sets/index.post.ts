import { setResponseStatus } from 'h3'
import { setSchema } from '../../../../../shared/gather/profiles'
import { addSet } from '../../../../figures/questions/sets'
import { bodyOf, clientRoute } from '../../../../platform/http/route'
import { refuseForeignProfiles } from '../../../../figures/refuseForeignProfiles'

export default clientRoute('write', async ({ event, db }) => {
  const { name, profiles } = await bodyOf(event, setSchema)
  await refuseForeignProfiles(db, profiles)
  setResponseStatus(event, 201)
  return { id: await addSet(db, name, [...new Set(profiles)]) }
})
