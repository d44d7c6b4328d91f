import { mappingSchema } from '../../../../../../shared/gather/imports'
import { bodyOf, clientRoute, idParam } from '../../../../../platform/http/route'
import { startCheck } from '../../../../../gather/imports/store'

export default clientRoute('write', async ({ event, db, person }) => ({
  job: await startCheck(db, idParam(event, 'import', 'import'), await bodyOf(event, mappingSchema), person.id),
}))
