import { profileForSync } from '../../../../../db/questions/profiles'
import { clientRoute, idParam } from '../../../../../http/route'
import { enqueue } from '../../../../../jobs/queue'
import { conflict, notFound } from '../../../../../problems/problem'

export default clientRoute('write', async ({ event, db, person }) => {
  const profile = await profileForSync(db, idParam(event, 'profile', 'profile'))
  if (!profile) throw notFound('profile')
  if (profile.consent === 'withdrawn') throw conflict('The owner has withdrawn the consent. Send a new consent link first.')
  if (!profile.is_active) throw conflict('The profile is switched off. Switch it on first.')
  return { job: await enqueue(db, 'sync', profile.profile_id, {}, person.id) }
})
