import { profileForSync } from '../../../../../db/questions/profiles'
import { clientRoute, idParam } from '../../../../../http/route'
import { enqueue } from '../../../../../jobs/queue'
import { conflict, notFound } from '../../../../../problems/problem'

export default clientRoute('write', async ({ event, db, person }) => {
  const profile = await profileForSync(db, idParam(event, 'profile', 'profile'))
  if (!profile) throw notFound('profile')
  if (!profile.tokens) throw conflict('The owner has not given consent yet. Send the consent link first.')
  return { job: await enqueue(db, 'sync', profile.profile_id, {}, person.id) }
})
