import { getQuery } from 'h3'
import { parseScope } from '../../../../shared/scope'
import { clientRoute } from '../../../http/route'
import { splitsOf } from '../../../work/parts'
import { resolveScope } from '../../../work/resolveScope'

/** A figure of a scope by its parts, and which of its figures its networks split. */
export default clientRoute('read', async ({ event, db }) => {
  const query = getQuery(event)
  return await splitsOf(db, await resolveScope(db, parseScope(query)), String(query.split ?? ''))
})
