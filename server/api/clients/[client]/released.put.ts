import { releasedSchema } from '../../../../shared/released'
import { bodyOf, clientRoute } from '../../../http/route'
import { release } from '../../../work/released'

export default clientRoute('own', async ({ event, db }) => {
  const { released } = await bodyOf(event, releasedSchema)
  await release(db, released)
  return { released }
})
