import { setResponseStatus } from 'h3'
import { savedTextSchema } from '../../../../../../shared/plan/savedTexts'
import { bodyOf, clientRoute } from '../../../../../platform/http/route'
import { keepText } from '../../../../../plan/posts/savedTexts'

export default clientRoute('write', async ({ event, db }) => {
  const id = await keepText(db, await bodyOf(event, savedTextSchema))
  setResponseStatus(event, 201)
  return { id }
})
