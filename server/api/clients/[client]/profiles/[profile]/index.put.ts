import { boolean, object } from 'yup'
import { switchProfile } from '../../../../../db/questions/profiles'
import { bodyOf, clientRoute, idParam } from '../../../../../http/route'
import { notFound } from '../../../../../problems/problem'

const switchSchema = object({ isActive: boolean().required('Say whether the profile is on or off.') })

export default clientRoute('write', async ({ event, db }) => {
  const { isActive } = await bodyOf(event, switchSchema)
  if (!(await switchProfile(db, idParam(event, 'profile', 'profile'), isActive))) throw notFound('profile')
  return { ok: true }
})
