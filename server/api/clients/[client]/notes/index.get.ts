import { getQuery } from 'h3'
import { parseScope } from '../../../../../shared/figures/scope'
import { notesIn } from '../../../../figures/questions/notes'
import { clientRoute } from '../../../../platform/http/route'
import { resolveScope } from '../../../../figures/resolveScope'

export default clientRoute(
  'figures',
  async ({ event, db }) => await notesIn(db, (await resolveScope(db, parseScope(getQuery(event)))).period),
)
