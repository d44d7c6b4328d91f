import { LARGEST_REFERENCES_BYTES, referencesFileSchema } from '../../../../../shared/compare/industry'
import { referencesFile } from '../../../../compare/industry/referencesFile'
import { bodyOf, clientRoute } from '../../../../platform/http/route'

/** What a file of figures of an industry would bring; it is written only where that is asked. */
export default clientRoute('write', async ({ event, db }) => {
  const { text, isTaken } = await bodyOf(event, referencesFileSchema, 3 * LARGEST_REFERENCES_BYTES)
  return await referencesFile(db, text, isTaken)
})
