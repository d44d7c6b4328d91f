import type { SeriesBreak } from '../../core/field/memberLines'

/**
 * What breaks a series, in words.
 *
 * @example breakWords({ week: 12, begins: ['Lantern'], ends: ['Cork'] }) // 'Cork ends, Lantern begins'
 */
export const breakWords = ({ begins, ends }: SeriesBreak): string =>
  [
    ...(ends.length > 0 ? [`${ends.join(' and ')} ${ends.length === 1 ? 'ends' : 'end'}`] : []),
    ...(begins.length > 0 ? [`${begins.join(' and ')} ${begins.length === 1 ? 'begins' : 'begin'}`] : []),
  ].join(', ')
