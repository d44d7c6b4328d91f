import { clientRoute, idParam } from '../../../../../../platform/http/route'
import { revokeShare } from '../../../../../../report/editions/editions'

export default clientRoute('write', async ({ event, db }) => {
  await revokeShare(db, idParam(event, 'edition', 'edition'), idParam(event, 'share', 'link'))
  return { ok: true }
})
