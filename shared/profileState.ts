import { describeDay } from '../core/periods/describePeriod'

/** What the state of a profile depends on. */
interface Known {
  is_active: number
  is_rival: number
  consent: 'none' | 'given' | 'withdrawn'
  sync_error: string | null
  synced_to: string | null
  forgetsInDays?: number
  job: { state: string; message: string } | null
}

/**
 * The state of a profile in a sentence, and what happens next: by itself, or by the one thing that somebody has to do.
 *
 * @example stateOf(profile) // 'Figures up to 28 Oct 2026'
 */
export function stateOf({ job, is_active: isActive, consent, sync_error: trouble, synced_to: syncedTo, is_rival: isRival, forgetsInDays }: Known): string {
  if (!isActive) return 'Switched off: not fetched, and no part of any figure. Its past is kept.'
  const loss = trouble && forgetsInDays !== undefined ? ` In ${forgetsInDays} ${forgetsInDays === 1 ? 'day' : 'days'} the network forgets a day that is not here yet.` : ''
  if (job?.state === 'running') return `Fetching: ${job.message || 'begun'}`
  if (job?.state === 'queued') return job.message ? `Waiting: ${job.message}${loss}` : 'Waiting for its turn'
  if (trouble) return `${trouble}${loss}`
  const upTo = syncedTo ? `Figures up to ${describeDay(syncedTo)}` : 'Nothing fetched yet'
  if (isRival) return `${upTo}, as far as anybody can see them`
  return consent === 'none' ? `${upTo}, only what anybody can see: its owner has not given consent` : upTo
}
