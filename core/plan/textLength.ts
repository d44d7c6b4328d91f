/** How a network counts the letters of a post. */
export type Counting = 'letters' | 'code points' | 'units'

const LINK = /https?:\/\/[^\s]+/g
const letters = new Intl.Segmenter('und', { granularity: 'grapheme' })

/**
 * How long a text is as a network counts it: letters as they are seen (extended grapheme clusters, Unicode UAX 29), code
 * points, or units of UTF-16.
 *
 * @param linkLength  what each web address counts, whatever its length; each letter of it counts where it is left out
 * @example textLength('👩‍🌾 a', 'letters') // 3
 * @example textLength('see https://example.org/a/long/way', 'letters', 25) // 29
 */
export function textLength(text: string, counting: Counting, linkLength?: number): number {
  if (linkLength === undefined) return countOf(text, counting)
  const links = text.match(LINK)?.length ?? 0
  return countOf(text.replace(LINK, ''), counting) + links * linkLength
}

function countOf(text: string, counting: Counting): number {
  if (counting === 'units') return text.length
  if (counting === 'code points') return [...text].length
  return [...letters.segment(text)].length
}

/** The words of a text that are hashtags, with their sign, each time that they stand there. */
export const hashtagsOf = (text: string): string[] => text.match(/(?<![\p{L}\p{N}_])#[\p{L}\p{N}_]+/gu) ?? []
