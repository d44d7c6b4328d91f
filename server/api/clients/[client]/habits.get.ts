import { getQuery } from 'h3'
import { habitsSchema } from '../../../../shared/compare/habits'
import { parseScope } from '../../../../shared/figures/scope'
import { fieldHabits } from '../../../compare/habits/fieldHabits'
import { resolveScope } from '../../../figures/resolveScope'
import { sendRemembered } from '../../../figures/sendRemembered'
import { clientRoute } from '../../../platform/http/route'

/** What the client and its rivals post, by what everybody can see of it. */
export default clientRoute('rivals', async ({ event, db }) => {
  const query = getQuery(event)
  const scope = parseScope(query)
  const asked = habitsSchema.validateSync(query, { stripUnknown: true })
  return await sendRemembered(event, db, async (db) => await fieldHabits(db, await resolveScope(db, scope), asked))
})
