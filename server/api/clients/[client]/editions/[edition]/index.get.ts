import { clientRoute, idParam } from '../../../../../http/route'
import { newestJob } from '../../../../../jobs/queue'
import { editionById, sharesOf } from '../../../../../reports/editions'

export default clientRoute('read', async ({ event, db, person }) => {
  const id = idParam(event, 'edition', 'edition')
  const edition = await editionById(db, id)
  return { edition, printing: await newestJob(db, 'edition.print', id), shares: person.role === 'viewer' ? [] : await sharesOf(db, id) }
})
