import { tagRuleSchema } from '../../../../../../shared/read/tags'
import { bodyOf, clientRoute, idParam } from '../../../../../platform/http/route'
import { changeRule } from '../../../../../read/tags/tags'

export default clientRoute('write', async ({ event, db }) => {
  await changeRule(db, idParam(event, 'rule', 'rule'), await bodyOf(event, tagRuleSchema))
  return { ok: true }
})
