import { Unreadable } from '../unreadable'

/** Which sign stands before the decimals; the other one may group thousands. */
export type DecimalSign = 'point' | 'comma'

/** The largest count that can be kept. */
export const LARGEST_COUNT = 4_294_967_295

/** What most cells hold: digits alone, few enough that they are no more than the largest count. */
const PLAIN = /^\d{1,9}$/
const ABSENT = /^(|-|–|—|n\/a|na|null|none)$/i

/**
 * The count that a cell of a file means. Thousands may be grouped by the other sign, by spaces or by apostrophes.
 *
 * @returns the count, or undefined for a cell that says that there is none: absent, not zero
 * @throws  Unreadable with a sentence that says what is wrong with the cell
 * @example readCount('1.204', 'comma') // 1204
 */
export function readCount(text: string, decimal: DecimalSign): number | undefined {
  if (PLAIN.test(text)) return Number(text)
  const cell = text.replace(/[\s\u00A0\u202F'’]/g, '')
  if (ABSENT.test(cell)) return undefined
  if (/^-?\d+([.,]\d+)?e[+-]?\d+$/i.test(cell))
    throw new Unreadable(`"${text.trim()}" is in scientific notation; its digits are lost`)
  const point = decimal === 'point' ? '.' : ','
  const group = decimal === 'point' ? ',' : '.'
  const [whole = '', fraction, more] = cell.split(point)
  const grouped = whole.includes(group)
  const wellFormed =
    more === undefined &&
    (grouped ? new RegExp(`^-?\\d{1,3}(\\${group}\\d{3})+$`).test(whole) : /^-?\d+$/.test(whole)) &&
    (fraction === undefined || /^\d+$/.test(fraction))
  if (!wellFormed) throw new Unreadable(`"${text.trim()}" is not a number with a decimal ${decimal}`)
  if (fraction !== undefined && Number(fraction) !== 0) throw new Unreadable(`"${text.trim()}" is not a whole number`)
  const value = Number(whole.replaceAll(group, ''))
  if (value < 0) throw new Unreadable(`"${text.trim()}" is below zero`)
  if (value > LARGEST_COUNT) throw new Unreadable(`"${text.trim()}" is too large to be a count`)
  return value
}

/**
 * The decimal sign of numbers, from how they use their signs: of two different signs the last one is the decimal sign;
 * a sign followed by anything but three digits is one; and since counts are whole, a single sign before three digits
 * groups thousands.
 *
 * @example detectDecimalSign(['1.204', '987']) // 'comma'
 */
export function detectDecimalSign(cells: readonly string[]): DecimalSign {
  let fallback: DecimalSign = 'point'
  for (const text of cells) {
    const cell = text.replace(/[\s\u00A0\u202F'’]/g, '')
    if (!/^-?\d[\d.,]*$/.test(cell)) continue
    const lastPoint = cell.lastIndexOf('.')
    const lastComma = cell.lastIndexOf(',')
    if (lastPoint >= 0 && lastComma >= 0) return lastPoint > lastComma ? 'point' : 'comma'
    const sign = lastPoint >= 0 ? '.' : lastComma >= 0 ? ',' : undefined
    if (!sign) continue
    if (new RegExp(`^-?\\d{1,3}(\\${sign}\\d{3})+$`).test(cell)) fallback = sign === '.' ? 'comma' : 'point'
    else return sign === '.' ? 'point' : 'comma'
  }
  return fallback
}
