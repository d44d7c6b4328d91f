import { ownerRoute } from '../../http/route'
import { agencyOf } from '../../work/agency'

export default ownerRoute(({ person }) => agencyOf(person))
