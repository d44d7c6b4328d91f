import { tagRuleSchema } from '../../../../../../../shared/read/tags'
import { bodyOf, clientRoute, idParam } from '../../../../../../platform/http/route'
import { previewRule } from '../../../../../../read/tags/tags'

/** What a rule would tag. Nothing is kept. */
export default clientRoute(
  'write',
  async ({ event, db }) => await previewRule(db, await bodyOf(event, tagRuleSchema), idParam(event, 'tag', 'tag')),
)
