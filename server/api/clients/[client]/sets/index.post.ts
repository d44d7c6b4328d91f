import { setResponseStatus } from 'h3'
import { setSchema } from '../../../../../shared/scope'
import { addSet } from '../../../../db/questions/sets'
import { bodyOf, clientRoute } from '../../../../http/route'
import { refuseForeignProfiles } from '../../../../work/refuseForeignProfiles'

export default clientRoute('write', async ({ event, db }) => {
  const { name, profiles } = await bodyOf(event, setSchema)
  await refuseForeignProfiles(db, profiles)
  setResponseStatus(event, 201)
  return { id: await addSet(db, name, [...new Set(profiles)]) }
})
