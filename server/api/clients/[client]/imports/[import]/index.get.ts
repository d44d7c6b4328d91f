import { clientRoute, idParam } from '../../../../../platform/http/route'
import { badRowsOf, importById } from '../../../../../gather/imports/store'
import { newestJob } from '../../../../../platform/jobs/queue'

export default clientRoute('work', async ({ event, db }) => {
  const id = idParam(event, 'import', 'import')
  const view = await importById(db, id)
  return { ...view, badRows: await badRowsOf(db, id, 200), job: await newestJob(db, 'import.', id) }
})
