import { changeProfileSchema } from '../../../../../../shared/gather/profiles'
import { nameRival, switchProfile } from '../../../../../figures/questions/profileRows'
import { bodyOf, clientRoute, idParam } from '../../../../../platform/http/route'
import { notFound } from '../../../../../platform/problems/problem'
import { refuseBeyondAllowance } from '../../../../../gather/profiles/addProfile'

/** Switches a profile on or off, or says to which rival it belongs. */
export default clientRoute('write', async ({ event, db }) => {
  const { isActive, rival } = await bodyOf(event, changeProfileSchema)
  const id = idParam(event, 'profile', 'profile')
  await db.transaction(async (inside) => {
    if (isActive) await refuseBeyondAllowance(inside)
    if (isActive !== undefined && !(await switchProfile(inside, id, isActive))) throw notFound('profile')
    if (rival !== undefined && !(await nameRival(inside, id, rival))) throw notFound('profile of a rival')
  })
  return { ok: true }
})
