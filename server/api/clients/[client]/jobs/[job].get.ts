import { clientRoute, idParam } from '../../../../platform/http/route'
import { jobById } from '../../../../platform/jobs/queue'
import { notFound } from '../../../../platform/problems/problem'

export default clientRoute('work', async ({ event, db }) => {
  const job = await jobById(db, idParam(event, 'job', 'job'))
  if (!job) throw notFound('job')
  return job
})
