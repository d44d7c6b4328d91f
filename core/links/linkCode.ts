/** The letters of a code: none that is taken for another one, and no vowels, so that no words come about. */
export const CODE_LETTERS = '23456789bcdfghjkmnpqrstvwxyz'

/** How many letters a code has: with 28 letters that is 13,000 million codes, so that none is found by trying. */
export const CODE_LENGTH = 7

/**
 * A code that nobody can guess.
 *
 * @param random  a whole number from 0 to one below what it is given, each as likely
 * @example newCode(() => 0) // '2222222'
 */
export const newCode = (random: (below: number) => number): string =>
  Array.from({ length: CODE_LENGTH }, () => CODE_LETTERS[random(CODE_LETTERS.length)]!).join('')

/** Whether a text has the form of a code. */
export const isLinkCode = (text: string): boolean => /^[2-9bcdfghjkmnp-tv-z]{7}$/.test(text)

/**
 * The codes of tracked links that a text names, each once.
 *
 * @example codesIn('Tickets: https://halyardrow.example/l/b2c3d4f') // ['b2c3d4f']
 */
export const codesIn = (text: string): string[] => [
  ...new Set([...text.matchAll(/\/l\/([2-9bcdfghjkmnp-tv-z]{7})(?![0-9a-z])/g)].map(([, code]) => code!)),
]
