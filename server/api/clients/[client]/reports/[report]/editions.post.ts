import { issueSchema } from '../../../../../../shared/report/editions'
import { bodyOf, clientRoute, idParam } from '../../../../../platform/http/route'
import { enqueue } from '../../../../../platform/jobs/queue'
import { reportById } from '../../../../../report/reports/reports'
import { EDITION_ISSUE } from '../../../../../report/editions/jobs'

export default clientRoute('write', async ({ event, db, person }) => {
  const { requestKey, sha256 } = await bodyOf(event, issueSchema)
  const { id } = await reportById(db, idParam(event, 'report', 'report'))
  return {
    job: await enqueue(
      db,
      EDITION_ISSUE,
      `${id}:${requestKey}`,
      { reportId: id, requestKey, person: person.id, ...(sha256 && { sha256 }) },
      person.id,
    ),
  }
})
