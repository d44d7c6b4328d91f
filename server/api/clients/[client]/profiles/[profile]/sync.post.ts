import { profileById } from '../../../../../figures/questions/profileRows'
import { clientRoute, idParam } from '../../../../../platform/http/route'
import { enqueue } from '../../../../../platform/jobs/queue'
import { conflict, notFound } from '../../../../../platform/problems/problem'
import { SYNC } from '../../../../../gather/sync/jobs'

export default clientRoute('write', async ({ event, db, person }) => {
  const profile = await profileById(db, idParam(event, 'profile', 'profile'))
  if (!profile) throw notFound('profile')
  if (profile.consent === 'withdrawn')
    throw conflict('The owner has withdrawn the consent. Send a new consent link first.')
  if (!profile.is_active) throw conflict('The profile is switched off. Switch it on first.')
  return { job: await enqueue(db, SYNC, profile.profile_id, {}, person.id) }
})
