import { clientRoute, idParam } from '../../../../../http/route'
import { enqueue } from '../../../../../jobs/queue'
import { conflict } from '../../../../../problems/problem'
import { editionById } from '../../../../../reports/editions'

/** Has the PDF made, where making it has failed. One that was made is never replaced. */
export default clientRoute('write', async ({ event, db, person }) => {
  const { id, hasPdf } = await editionById(db, idParam(event, 'edition', 'edition'))
  if (hasPdf) throw conflict('The PDF of this edition is printed already. It stays as it is; a new edition has one of its own.')
  return { job: await enqueue(db, 'edition.print', id, {}, person.id) }
})
