import { removeReference } from '../../../../../compare/industry/references'
import { clientRoute, idParam } from '../../../../../platform/http/route'

export default clientRoute('write', async ({ event, db }) => {
  await removeReference(db, idParam(event, 'reference', 'figure'), false)
  return { ok: true }
})
