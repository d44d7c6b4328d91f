import { supersedeSchema } from '../../../../../../shared/report/editions'
import { bodyOf, clientRoute, idParam } from '../../../../../platform/http/route'
import { editionById, supersede } from '../../../../../report/editions/editions'

export default clientRoute('write', async ({ event, db }) => {
  const { by } = await bodyOf(event, supersedeSchema)
  const { id } = await editionById(db, idParam(event, 'edition', 'edition'))
  await supersede(db, id, by)
  return {}
})
