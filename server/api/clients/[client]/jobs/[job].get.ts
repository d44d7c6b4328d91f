import { clientRoute, idParam } from '../../../../http/route'
import { jobById } from '../../../../jobs/queue'
import { notFound } from '../../../../problems/problem'

export default clientRoute('work', async ({ event, db }) => {
  const job = await jobById(db, idParam(event, 'job', 'job'))
  if (!job) throw notFound('job')
  return job
})
