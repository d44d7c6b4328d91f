import { getQuery } from 'h3'
import { parseScope } from '../../../../shared/scope'
import { clientRoute } from '../../../http/route'
import { splitsOf } from '../../../work/parts'
import { resolveScope } from '../../../work/resolveScope'

/** The figures of a scope by their parts, as far as its networks give them. */
export default clientRoute('read', async ({ event, db }) => await splitsOf(db, await resolveScope(db, parseScope(getQuery(event)))))
