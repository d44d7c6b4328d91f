/**
 * How much of the light of a screen a colour has.
 *
 * @param colour  #rrggbb
 * @returns       from 0 (black) to 1 (white)
 * @see           WCAG 2.2, relative luminance
 */
function luminance(colour: string): number {
  const [red, green, blue] = [1, 3, 5]
    .map((at) => Number.parseInt(colour.slice(at, at + 2), 16) / 255)
    .map((part) => (part <= 0.04045 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4))
  return 0.2126 * red! + 0.7152 * green! + 0.0722 * blue!
}

/** From which contrast on a text can be read (WCAG 2.2, 1.4.3). */
export const READABLE = 4.5

/**
 * The contrast of two colours, whichever is the lighter one.
 *
 * @param a  #rrggbb
 * @param b  #rrggbb
 * @returns  from 1 (the same) to 21 (black and white)
 * @see      WCAG 2.2, contrast ratio
 * @example  contrast('#000000', '#ffffff') // 21
 */
export function contrast(a: string, b: string): number {
  const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x)
  return (light! + 0.05) / (dark! + 0.05)
}
