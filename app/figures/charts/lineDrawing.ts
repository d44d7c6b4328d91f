/** From where to where a line goes, and which values are written beside it. */
export interface Axis {
  least: number
  most: number
  marks: number[]
}

const STEPS = 4

/**
 * An axis with round numbers for some values; of a level it fits them, of anything else it begins at zero.
 *
 * @example axisOf([3, 18], false) // { least: 0, most: 20, marks: [0, 5, 10, 15, 20] }
 */
export function axisOf(values: readonly (number | null)[], isLevel: boolean): Axis {
  const known = values.filter((value) => value !== null)
  const [low, high] = known.length > 0 ? [Math.min(...known), Math.max(...known)] : [0, 1]
  const from = isLevel ? low : Math.min(0, low)
  const step = roundStep((high - from || Math.abs(high) || 1) / STEPS)
  const least = Math.floor(from / step) * step
  const count = Math.max(1, Math.ceil((high - least) / step - 1e-9))
  const marks = Array.from({ length: count + 1 }, (_, index) => least + index * step)
  return { least, most: marks.at(-1)!, marks }
}

/** The next of 1, 2, 2.5, 5 or 10 times a power of ten. */
function roundStep(step: number): number {
  const power = 10 ** Math.floor(Math.log10(step))
  return power * [1, 2, 2.5, 5, 10].find((times) => times * power >= step - 1e-12)!
}

/**
 * The strokes of a line within a drawing, as the path of an SVG: one for each run of days with data, so that a gap
 * stays a gap.
 *
 * @example strokesOf([0, null, 10], { least: 0, most: 10, marks: [] }, { width: 10, height: 10 }) // 'M0.0,10.0M10.0,0.0'
 */
export function strokesOf(
  values: readonly (number | null)[],
  { least, most }: Axis,
  { width, height }: { width: number; height: number },
): string {
  return values
    .map((value, index) => {
      if (value === null) return ''
      const x = (index / Math.max(1, values.length - 1)) * width
      const y = height - ((value - least) / (most - least || 1)) * height
      return `${index > 0 && values[index - 1] !== null ? 'L' : 'M'}${x.toFixed(1)},${y.toFixed(1)}`
    })
    .join('')
}
