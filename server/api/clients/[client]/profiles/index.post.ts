import { setResponseStatus } from 'h3'
import { addProfileSchema } from '../../../../../shared/gather/profiles'
import { bodyOf, clientRoute } from '../../../../platform/http/route'
import { addProfile } from '../../../../gather/profiles/addProfile'

export default clientRoute('write', async ({ event, db, person }) => {
  const { network, handle, rival } = await bodyOf(event, addProfileSchema)
  const id = await addProfile(db, { network, handle, rival }, person.id)
  setResponseStatus(event, 201)
  return { id }
})
