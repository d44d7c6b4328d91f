import { clientRoute, idParam } from '../../../../../../http/route'
import { revokeShare } from '../../../../../../reports/editions'

export default clientRoute('write', async ({ event, db }) => {
  await revokeShare(db, idParam(event, 'edition', 'edition'), idParam(event, 'share', 'link'))
  return { ok: true }
})
