import { setSchema } from '../../../../../../shared/gather/profiles'
import { changeSet } from '../../../../../figures/questions/sets'
import { bodyOf, clientRoute, idParam } from '../../../../../platform/http/route'
import { notFound } from '../../../../../platform/problems/problem'
import { refuseForeignProfiles } from '../../../../../figures/refuseForeignProfiles'

export default clientRoute('write', async ({ event, db }) => {
  const { name, profiles } = await bodyOf(event, setSchema)
  await refuseForeignProfiles(db, profiles)
  if (!(await changeSet(db, idParam(event, 'set', 'set'), name, [...new Set(profiles)]))) throw notFound('set')
  return { ok: true }
})
