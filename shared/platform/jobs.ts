/** A job as a person sees it. */
export interface JobView {
  id: number
  kind: string
  subject: string
  state: 'queued' | 'running' | 'done' | 'failed'
  progress: number
  total: number | null
  message: string
  result: unknown
}
