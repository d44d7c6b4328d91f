import { getQuery } from 'h3'
import { parseScope } from '../../../../../shared/scope'
import { notesIn } from '../../../../db/questions/notes'
import { clientRoute } from '../../../../http/route'
import { resolveScope } from '../../../../work/resolveScope'

export default clientRoute('figures', async ({ event, db }) => await notesIn(db, (await resolveScope(db, parseScope(getQuery(event)))).period))
