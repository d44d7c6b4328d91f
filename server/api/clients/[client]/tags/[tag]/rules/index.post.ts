import { setResponseStatus } from 'h3'
import { tagRuleSchema } from '../../../../../../../shared/read/tags'
import { bodyOf, clientRoute, idParam } from '../../../../../../platform/http/route'
import { addRule } from '../../../../../../read/tags/tags'

export default clientRoute('write', async ({ event, db, person }) => {
  const rule = await bodyOf(event, tagRuleSchema)
  setResponseStatus(event, 201)
  return { id: await addRule(db, idParam(event, 'tag', 'tag'), rule, person.id) }
})
