/**
 * A text by its letters and digits alone: without accents, capitals and signs, so that two manners of writing are one.
 *
 * @example folded('Mossgate, Café') // 'mossgate cafe'
 */
export const folded = (text: string): string =>
  text
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, ' ')
    .trim()
