import { setResponseStatus } from 'h3'
import { targetSchema } from '../../../../../shared/scope'
import { bodyOf, clientRoute } from '../../../../http/route'
import { addTarget, checkTarget } from '../../../../work/targets'

export default clientRoute('write', async ({ event, db, person }) => {
  const target = await bodyOf(event, targetSchema)
  await checkTarget(db, target)
  setResponseStatus(event, 201)
  return { id: await addTarget(db, target, person.id) }
})
