import { clientRoute, idParam } from '../../../../../platform/http/route'
import { enqueue } from '../../../../../platform/jobs/queue'
import { conflict } from '../../../../../platform/problems/problem'
import { editionById } from '../../../../../report/editions/editions'
import { EDITION_PRINT } from '../../../../../report/editions/jobs'

/** Has the PDF made, where making it has failed. One that was made is never replaced. */
export default clientRoute('write', async ({ event, db, person }) => {
  const { id, hasPdf } = await editionById(db, idParam(event, 'edition', 'edition'))
  if (hasPdf)
    throw conflict('The PDF of this edition is printed already. It stays as it is; a new edition has one of its own.')
  return { job: await enqueue(db, EDITION_PRINT, id, {}, person.id) }
})
