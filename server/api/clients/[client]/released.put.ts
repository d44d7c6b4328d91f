import { releasedSchema } from '../../../../shared/platform/releasable'
import { bodyOf, clientRoute } from '../../../platform/http/route'
import { release } from '../../../report/editions/released'

export default clientRoute('own', async ({ event, db }) => {
  const { released } = await bodyOf(event, releasedSchema)
  await release(db, released)
  return { released }
})
