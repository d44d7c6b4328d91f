import { clientRoute, idParam } from '../../../../../platform/http/route'
import { newestJob } from '../../../../../platform/jobs/queue'
import { editionById, sharesOf } from '../../../../../report/editions/editions'

export default clientRoute('read', async ({ event, db, person }) => {
  const id = idParam(event, 'edition', 'edition')
  const edition = await editionById(db, id)
  return {
    edition,
    printing: await newestJob(db, 'edition.print', id),
    shares: person.role === 'viewer' ? [] : await sharesOf(db, id),
  }
})
