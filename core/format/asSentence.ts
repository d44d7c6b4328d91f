/**
 * A text as a sentence: it begins with a capital and ends with a stop.
 *
 * @example asSentence('there is no metric "x"') // 'There is no metric "x".'
 */
export const asSentence = (text: string): string =>
  `${text.charAt(0).toUpperCase()}${text.slice(1)}${/[.!?]$/.test(text) ? '' : '.'}`
