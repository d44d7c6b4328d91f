import { getQuery } from 'h3'
import { parseScope } from '../../../../shared/figures/scope'
import { clientRoute } from '../../../platform/http/route'
import { describeScope } from '../../../figures/describeScope'

/** What the scope in the address means: its words, its days, and what there is to choose from. */
export default clientRoute('places', ({ event, db }) => describeScope(db, parseScope(getQuery(event))))
