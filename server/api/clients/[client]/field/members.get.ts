import { membersOf } from '../../../../compare/field/groups'
import { clientRoute } from '../../../../platform/http/route'

/** The rivals of a client, and the networks on which they or the client are. */
export default clientRoute('rivals', ({ db }) => membersOf(db))
