/** How a correction stands: it waits to be sent, is with the directory, was taken or refused, or was taken and undone. */
export const CORRECTION_STATES = [
  { id: 'waiting', name: 'waits to be sent' },
  { id: 'sent', name: 'sent' },
  { id: 'taken', name: 'taken' },
  { id: 'refused', name: 'refused' },
  { id: 'changed back', name: 'changed back' },
  { id: 'withdrawn', name: 'withdrawn' },
] as const
export type CorrectionState = (typeof CORRECTION_STATES)[number]['id']

/**
 * How a correction stands once an entry has been looked at: what shows what was asked for is taken, what showed it and
 * does so no more is changed back, until it shows again; everything else waits for what the directory says.
 *
 * @param isThere  whether the entry says what was asked for
 * @example correctionSeen('taken', false) // 'changed back'
 */
export function correctionSeen(state: CorrectionState, isThere: boolean): CorrectionState {
  if (isThere && (state === 'sent' || state === 'changed back')) return 'taken'
  if (!isThere && state === 'taken') return 'changed back'
  return state
}
