import { getQuery } from 'h3'
import { parseScope } from '../../../../../shared/figures/scope'
import { questionFilterSchema } from '../../../../../shared/read/questions'
import { resolveScope } from '../../../../figures/resolveScope'
import { clientRoute } from '../../../../platform/http/route'
import { questionsIn } from '../../../../read/questions/questions'

/** A page of the questions about a client's places, and how many were asked. */
export default clientRoute('places', async ({ event, db }) => {
  const query = getQuery(event)
  return await questionsIn(db, await resolveScope(db, parseScope(query)), await questionFilterSchema.validate(query))
})
