import { referenceSchema } from '../../../../../../shared/compare/industry'
import { changeReference } from '../../../../../compare/industry/references'
import { bodyOf, clientRoute, idParam } from '../../../../../platform/http/route'

export default clientRoute('write', async ({ event, db }) => {
  await changeReference(db, idParam(event, 'reference', 'figure'), await bodyOf(event, referenceSchema))
  return { ok: true }
})
