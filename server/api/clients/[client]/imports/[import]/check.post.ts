import { mappingSchema } from '../../../../../../shared/imports'
import { bodyOf, clientRoute, idParam } from '../../../../../http/route'
import { startCheck } from '../../../../../imports/store'

export default clientRoute('write', async ({ event, db, person }) => ({ job: await startCheck(db, idParam(event, 'import', 'import'), await bodyOf(event, mappingSchema), person.id) }))
