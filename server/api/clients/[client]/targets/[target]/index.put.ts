import { targetSchema } from '../../../../../../shared/read/targets'
import { bodyOf, clientRoute, idParam } from '../../../../../platform/http/route'
import { notFound } from '../../../../../platform/problems/problem'
import { changeTarget, checkTarget } from '../../../../../read/targets/targets'

export default clientRoute('write', async ({ event, db }) => {
  const target = await bodyOf(event, targetSchema)
  await checkTarget(db, target)
  if (!(await changeTarget(db, idParam(event, 'target', 'target'), target))) throw notFound('target')
  return { ok: true }
})
