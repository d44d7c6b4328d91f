import { Unreadable } from '../unreadable'

/** What was typed could be two numbers. */
export class AmbiguousNumber extends Unreadable {
  constructor(
    text: string,
    readonly readings: readonly number[],
  ) {
    super(`“${text}” can be two numbers. Say which is meant.`)
  }
}

const SPACES = /[\s\u00A0\u2009\u202F'’]/g

/**
 * A number as a person types it: in the notation of their own locale, as the pages write it, or in another one where
 * only one number can be meant. Spaces and apostrophes group digits everywhere (ISO 80000-1, 7.3.1); a percent sign at
 * the end is left out.
 *
 * @param locale  BCP 47
 * @throws        AmbiguousNumber when the decimal sign stands before three digits, as a grouping sign would: “27.000”
 *                                in English is 27 or 27,000
 * @throws        Unreadable when it is no number
 * @example       readNumber('27,000', 'en') // 27000
 * @example       readNumber('27,5', 'en') // 27.5
 */
export function readNumber(text: string, locale: string): number {
  const typed = text.trim().replace(/\s*%$/, '').replace(SPACES, '').replace(/^[−–]/, '-')
  const { decimal, group } = signsOf(locale)
  const [, minus, digits] = /^(-?)([\d.,]+)$/.exec(typed) ?? []
  if (digits === undefined || !/\d/.test(digits))
    throw new Unreadable(typed === '' ? 'Write a number.' : `“${text.trim()}” is not a number.`)
  const value = (number: number) => (minus ? -number : number)
  const own = plainly(digits, decimal, group)
  const other = plainly(digits, decimal === '.' ? ',' : '.', decimal)
  // the sign before the decimals of one's own notation, as another notation groups thousands
  if (own !== undefined && other !== undefined && own !== other && !groupsByOwn(digits, group))
    throw new AmbiguousNumber(text.trim(), [value(own), value(other)])
  const read = own ?? other
  if (read === undefined)
    throw new Unreadable(
      `“${text.trim()}” is not a number as it is written here, for example ${new Intl.NumberFormat(locale).format(12345.6)}.`,
    )
  return value(read)
}

/**
 * The sign before the decimals and the one between thousands; where a locale groups by spaces or apostrophes, the other
 * one of point and comma.
 */
function signsOf(locale: string): { decimal: string; group: string } {
  const decimal =
    new Intl.NumberFormat(locale).formatToParts(1.5).find(({ type }) => type === 'decimal')?.value === ',' ? ',' : '.'
  return { decimal, group: decimal === '.' ? ',' : '.' }
}

/** Digits read under two signs, by thousands or by lakhs, or undefined where they do not stand where these stand. */
function plainly(digits: string, decimal: string, group: string): number | undefined {
  const wellFormed = new RegExp(
    `^(\\d*|\\d{1,3}(\\${group}\\d{3})+|\\d{1,2}(\\${group}\\d{2})+\\${group}\\d{3})(\\${decimal}\\d+)?$`,
  )
  return wellFormed.test(digits) ? Number(digits.replaceAll(group, '').replace(decimal, '.')) : undefined
}

const groupsByOwn = (digits: string, group: string): boolean => digits.includes(group)
