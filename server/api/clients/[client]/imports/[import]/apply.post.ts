import { clientRoute, idParam } from '../../../../../platform/http/route'
import { startApply } from '../../../../../gather/imports/store'

export default clientRoute('write', async ({ event, db, person }) => ({
  job: await startApply(db, idParam(event, 'import', 'import'), person.id),
}))
