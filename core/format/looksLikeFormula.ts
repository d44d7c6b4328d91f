/**
 * Whether a spreadsheet would take a text for a formula, blanks and line ends before it included.
 *
 * @example looksLikeFormula(' =1+1') // true
 */
export const looksLikeFormula = (text: string): boolean => /^(?:[\t\r\n]|\s*[=+\-@＝＋－＠])/u.test(text)
