import { clientRoute, idParam } from '../../../../../platform/http/route'
import { discard } from '../../../../../gather/imports/store'

export default clientRoute('write', async ({ event, db }) => {
  await discard(db, idParam(event, 'import', 'import'))
  return { ok: true }
})
