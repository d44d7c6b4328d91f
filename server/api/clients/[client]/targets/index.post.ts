import { setResponseStatus } from 'h3'
import { targetSchema } from '../../../../../shared/read/targets'
import { bodyOf, clientRoute } from '../../../../platform/http/route'
import { addTarget, checkTarget } from '../../../../read/targets/targets'

export default clientRoute('write', async ({ event, db, person }) => {
  const target = await bodyOf(event, targetSchema)
  await checkTarget(db, target)
  setResponseStatus(event, 201)
  return { id: await addTarget(db, target, person.id) }
})
