import { setResponseStatus } from 'h3'
import { referenceSchema } from '../../../../../shared/compare/industry'
import { addReference } from '../../../../compare/industry/references'
import { bodyOf, clientRoute } from '../../../../platform/http/route'

export default clientRoute('write', async ({ event, db }) => {
  const given = await bodyOf(event, referenceSchema)
  setResponseStatus(event, 201)
  return { id: await addReference(db, given) }
})
