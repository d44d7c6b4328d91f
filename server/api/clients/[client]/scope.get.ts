import { getQuery } from 'h3'
import { parseScope } from '../../../../shared/scope'
import { clientRoute } from '../../../http/route'
import { describeScope } from '../../../work/describeScope'

/** What the scope in the address means: its words, its days, and what there is to choose from. */
export default clientRoute('figures', ({ event, db }) => describeScope(db, parseScope(getQuery(event))))
