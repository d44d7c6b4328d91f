import { targetSchema } from '../../../../../../shared/scope'
import { bodyOf, clientRoute, idParam } from '../../../../../http/route'
import { notFound } from '../../../../../problems/problem'
import { changeTarget, checkTarget } from '../../../../../work/targets'

export default clientRoute('write', async ({ event, db }) => {
  const target = await bodyOf(event, targetSchema)
  await checkTarget(db, target)
  if (!(await changeTarget(db, idParam(event, 'target', 'target'), target))) throw notFound('target')
  return { ok: true }
})
