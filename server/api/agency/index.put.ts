import { agencySchema } from '../../../shared/platform/agency'
import { bodyOf, ownerRoute } from '../../platform/http/route'
import { changeAgency } from '../../platform/people/agency'

export default ownerRoute(async ({ event, person }) => {
  await changeAgency(person, await bodyOf(event, agencySchema))
  return { ok: true }
})
