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
 * How a correction stands once an entry has been looked at: what shows what was asked for is taken; what showed it and
 * does so no more is changed back, until it shows again. What a directory calls taken and does not show yet stays so.
 *
 * @param wasThere  whether the entry said what was asked for at the look before
 * @param isThere   whether it does now
 * @example correctionSeen('taken', true, false) // 'changed back'
 */
export function correctionSeen(state: CorrectionState, wasThere: boolean, isThere: boolean): CorrectionState {
  if (isThere && (state === 'sent' || state === 'changed back')) return 'taken'
  if (wasThere && !isThere && state === 'taken') return 'changed back'
  return state
}
