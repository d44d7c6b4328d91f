import { clientRoute, idParam } from '../../../../../http/route'
import { discard } from '../../../../../imports/store'

export default clientRoute('write', async ({ event, db }) => {
  await discard(db, idParam(event, 'import', 'import'))
  return { ok: true }
})
