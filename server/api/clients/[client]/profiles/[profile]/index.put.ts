import { boolean, object } from 'yup'
import { switchProfile } from '../../../../../figures/questions/profileRows'
import { bodyOf, clientRoute, idParam } from '../../../../../platform/http/route'
import { notFound } from '../../../../../platform/problems/problem'
import { refuseBeyondAllowance } from '../../../../../gather/profiles/addProfile'

const switchSchema = object({ isActive: boolean().required('Say whether the profile is on or off.') })

export default clientRoute('write', async ({ event, db }) => {
  const { isActive } = await bodyOf(event, switchSchema)
  const id = idParam(event, 'profile', 'profile')
  await db.transaction(async (inside) => {
    if (isActive) await refuseBeyondAllowance(inside)
    if (!(await switchProfile(inside, id, isActive))) throw notFound('profile')
  })
  return { ok: true }
})
