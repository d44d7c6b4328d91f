import { describeDay, describeInstant } from '../../core/periods/describePeriod'

/** What the state of a profile depends on. */
interface Known {
  isActive: boolean
  isRival: boolean
  consent: 'none' | 'given' | 'withdrawn'
  trouble: string | null
  syncedTo: string | null
  forgetsInDays?: number
  job: { state: string; message: string } | null
  /** The newest request for its consent, while that is not given. */
  request?: { state: 'open' | 'refused' | 'ended'; askedAt: Date; endsAt: Date }
}

/**
 * The state of a profile in a sentence, and what happens next: by itself, or by the one thing that somebody has to do.
 *
 * @example stateOf(profile) // 'Figures up to 28 Oct 2026'
 */
export function stateOf({ job, isActive, consent, trouble, syncedTo, isRival, forgetsInDays, request }: Known): string {
  if (!isActive) return 'Switched off: not fetched, and no part of any figure. Its past is kept.'
  const loss =
    trouble && forgetsInDays !== undefined
      ? ` In ${forgetsInDays} ${forgetsInDays === 1 ? 'day' : 'days'} the network forgets a day that is not here yet.`
      : ''
  if (job?.state === 'running') return `Fetching: ${job.message || 'begun'}`
  if (job?.state === 'queued') return job.message ? `Waiting: ${job.message}${loss}` : 'Waiting for its turn'
  if (trouble) return `${trouble}${loss}`
  const upTo = syncedTo ? `Figures up to ${describeDay(syncedTo)}` : 'Nothing fetched yet'
  if (isRival) return `${upTo}, as far as anybody can see them`
  return consent === 'none' ? `${upTo}, only what anybody can see: ${requestWords(request)}` : upTo
}

/** How it stands with the consent of an owner who has not given it. */
export function requestWords(request: Known['request']): string {
  if (!request) return 'its owner was not asked for consent yet'
  if (request.state === 'refused')
    return `its owner has refused the consent that was asked for on ${describeInstant(request.askedAt)}`
  return request.state === 'open'
    ? `its owner was asked for consent on ${describeInstant(request.askedAt)}; the link works until ${describeInstant(request.endsAt)}`
    : `its owner was asked for consent on ${describeInstant(request.askedAt)} and did not answer; the link has ended`
}
