import { ownerRoute } from '../../platform/http/route'
import { agencyOf } from '../../platform/people/agency'

export default ownerRoute(({ person }) => agencyOf(person))
