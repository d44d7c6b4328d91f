import { issueSchema } from '../../../../../../shared/scope'
import { bodyOf, clientRoute, idParam } from '../../../../../http/route'
import { enqueue } from '../../../../../jobs/queue'
import { reportById } from '../../../../../reports/reports'

export default clientRoute('write', async ({ event, db, person }) => {
  const { requestKey, sha256 } = await bodyOf(event, issueSchema)
  const { id } = await reportById(db, idParam(event, 'report', 'report'))
  return { job: await enqueue(db, 'edition.issue', `${id}:${requestKey}`, { reportId: id, requestKey, person: person.id, ...(sha256 && { sha256 }) }, person.id) }
})
