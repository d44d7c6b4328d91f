import { supersedeSchema } from '../../../../../../shared/scope'
import { bodyOf, clientRoute, idParam } from '../../../../../http/route'
import { editionById, supersede } from '../../../../../reports/editions'

export default clientRoute('write', async ({ event, db }) => {
  const { by } = await bodyOf(event, supersedeSchema)
  const { id } = await editionById(db, idParam(event, 'edition', 'edition'))
  await supersede(db, id, by)
  return {}
})
