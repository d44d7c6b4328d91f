import { agencySchema } from '../../../shared/agency'
import { bodyOf, ownerRoute } from '../../http/route'
import { changeAgency } from '../../work/agency'

export default ownerRoute(async ({ event, person }) => {
  await changeAgency(person, await bodyOf(event, agencySchema))
  return { ok: true }
})
