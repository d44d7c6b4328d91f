import { clientRoute, idParam } from '../../../../../platform/http/route'
import { removeImport } from '../../../../../gather/imports/store'

export default clientRoute('write', async ({ event, db }) => {
  await removeImport(db, idParam(event, 'import', 'import'))
  return { ok: true }
})
