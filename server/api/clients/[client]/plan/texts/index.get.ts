import { getQuery } from 'h3'
import { textSearchSchema } from '../../../../../../shared/plan/savedTexts'
import { clientRoute } from '../../../../../platform/http/route'
import { savedTexts } from '../../../../../plan/posts/savedTexts'

/** Texts that are kept to be used again. */
export default clientRoute('work', async ({ event, db }) => {
  const { words } = textSearchSchema.validateSync(getQuery(event), { stripUnknown: true })
  return await savedTexts(db, words)
})
