import { clientRoute, idParam } from '../../../../../http/route'
import { enqueue } from '../../../../../jobs/queue'
import { editionById } from '../../../../../reports/editions'

/** Has the PDF made again, where making it has failed. */
export default clientRoute('write', async ({ event, db, person }) => {
  const { id } = await editionById(db, idParam(event, 'edition', 'edition'))
  return { job: await enqueue(db, 'edition.print', id, {}, person.id) }
})
