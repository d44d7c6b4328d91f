import { looksLikeFormula } from '../format/looksLikeFormula'

/**
 * A text as it stands in a package: what a spreadsheet would take for a formula, blanks and line ends before it
 * included, begins with an apostrophe, so that nothing is run; and so does what begins with one, so that it can be taken
 * off again.
 *
 * @example safeText('=1+1') // "'=1+1"
 */
export const safeText = (text: string): string => (text.startsWith("'") || looksLikeFormula(text) ? `'${text}` : text)

/**
 * The text that `safeText` was given.
 *
 * @example plainText("'=1+1") // '=1+1'
 */
export const plainText = (text: string): string => (text.startsWith("'") ? text.slice(1) : text)
