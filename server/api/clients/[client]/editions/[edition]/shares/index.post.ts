import { shareSchema } from '../../../../../../../shared/report/editions'
import { bodyOf, clientRoute, idParam } from '../../../../../../platform/http/route'
import { editionById, shareEdition } from '../../../../../../report/editions/editions'

const DAY_MS = 86_400_000

export default clientRoute('write', async ({ event, db }) => {
  const { days, reader } = await bodyOf(event, shareSchema)
  const { id } = await editionById(db, idParam(event, 'edition', 'edition'))
  const endsAt = new Date(Date.now() + days * DAY_MS)
  return { path: `/shared/${await shareEdition(db, id, endsAt, 'reader', reader)}`, endsAt }
})
