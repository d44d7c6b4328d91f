import type { JobView } from '~~/shared/platform/jobs'

/** Watches a job until it has ended, and tells how far it is. */
export function useJob() {
  const { base } = useClient()
  const job = ref<JobView>()
  let isGone = false
  onScopeDispose(() => (isGone = true))

  /** @throws ApiProblem when the job has failed */
  async function follow(id: number): Promise<JobView> {
    for (;;) {
      job.value = await api<JobView>(`${base.value}/jobs/${id}`)
      if (job.value.state === 'done') return job.value
      if (job.value.state === 'failed') throw new ApiProblem(500, job.value.message)
      if (isGone) return job.value
      await new Promise((resolve) => setTimeout(resolve, 400))
    }
  }
  return { job, follow }
}
