import { setSchema } from '../../../../../../shared/scope'
import { changeSet } from '../../../../../db/questions/sets'
import { bodyOf, clientRoute, idParam } from '../../../../../http/route'
import { notFound } from '../../../../../problems/problem'
import { refuseForeignProfiles } from '../../../../../work/refuseForeignProfiles'

export default clientRoute('write', async ({ event, db }) => {
  const { name, profiles } = await bodyOf(event, setSchema)
  await refuseForeignProfiles(db, profiles)
  if (!(await changeSet(db, idParam(event, 'set', 'set'), name, [...new Set(profiles)]))) throw notFound('set')
  return { ok: true }
})
