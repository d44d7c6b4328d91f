import { getQuery, setResponseStatus } from 'h3'
import { parseScope } from '../../../../../../shared/figures/scope'
import { keepTriesSchema } from '../../../../../../shared/read/times'
import { resolveScope } from '../../../../../figures/resolveScope'
import { bodyOf, clientRoute } from '../../../../../platform/http/route'
import { keepPlanned } from '../../../../../read/times/times'

export default clientRoute('write', async ({ event, db }) => {
  const asked = await bodyOf(event, keepTriesSchema)
  const ids = await keepPlanned(db, await resolveScope(db, parseScope(getQuery(event))), asked)
  setResponseStatus(event, 201)
  return { ids }
})
