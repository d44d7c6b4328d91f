/**
 * A share from what was written in percent, without the dust of binary division: 4.4 % is 0.044.
 *
 * @example ofPercent(4.4) // 0.044, where 4.4 / 100 is 0.044000000000000004
 */
export const ofPercent = (percent: number): number => Number((percent / 100).toPrecision(12))
