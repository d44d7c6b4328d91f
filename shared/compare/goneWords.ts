import { describeDay } from '../../core/periods/describePeriod'

/**
 * That a network no longer has a profile, in words.
 *
 * @example goneWords({ handle: '@cormorant', networkName: 'Tintype', on: '2026-10-20' })
 * // '@cormorant is no longer on Tintype, as was seen on 20 Oct 2026; its figures end there.'
 */
export const goneWords = ({ handle, networkName, on }: { handle: string; networkName: string; on: string }): string =>
  `${handle} is no longer on ${networkName}, as was seen on ${describeDay(on)}; its figures end there.`
