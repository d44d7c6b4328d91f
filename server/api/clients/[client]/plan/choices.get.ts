import { clientRoute } from '../../../../platform/http/route'
import { planChoices } from '../../../../plan/posts/planView'

/** On which profiles posts can be planned, and how they are. */
export default clientRoute('work', async ({ db }) => await planChoices(db))
