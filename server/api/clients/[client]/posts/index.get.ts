import { getQuery } from 'h3'
import { parseScope } from '../../../../../shared/scope'
import { clientRoute } from '../../../../http/route'
import { listPosts } from '../../../../work/content'
import { resolveScope } from '../../../../work/resolveScope'

export default clientRoute('read', async ({ event, db }) => await listPosts(db, await resolveScope(db, parseScope(getQuery(event)))))
