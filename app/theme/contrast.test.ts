import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { DARK, LIGHT, SERIES, SERIES_DARK } from './tokens'

/** Relative luminance and contrast as WCAG 2.2 defines them. */
function luminance(colour: string): number {
  const [red, green, blue] = [1, 3, 5]
    .map((at) => Number.parseInt(colour.slice(at, at + 2), 16) / 255)
    .map((part) => (part <= 0.04045 ? part / 12.92 : ((part + 0.055) / 1.055) ** 2.4))
  return 0.2126 * red! + 0.7152 * green! + 0.0722 * blue!
}
function contrast(a: string, b: string): number {
  const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x)
  return (light! + 0.05) / (dark! + 0.05)
}

describe.each([
  ['light', LIGHT, SERIES],
  ['dark', DARK, SERIES_DARK],
] as const)('the %s theme', (_, tokens, series) => {
  it('has text that can be read, on every ground it stands on', () => {
    for (const text of ['ink', 'ink2', 'ink3', 'zaffer', 'deep', 'better', 'worse'] as const) {
      for (const ground of ['ground', 'rail', 'paper', 'wash'] as const)
        expect(contrast(tokens[text], tokens[ground]), `${text} on ${ground}`).toBeGreaterThanOrEqual(4.5)
    }
    expect(contrast(tokens.onZaffer, tokens.zaffer)).toBeGreaterThanOrEqual(4.5)
  })
  it('has marks that can be seen', () => {
    for (const mark of [...series, tokens.earlier])
      expect(contrast(mark, tokens.ground), mark).toBeGreaterThanOrEqual(3)
  })
})

it('says the same in the style sheet', () => {
  const css = readFileSync(new URL('./base.css', import.meta.url), 'utf8').toLowerCase()
  const names: Record<string, string> = { onZaffer: 'on-zaffer' }
  for (const [role, colour] of Object.entries(LIGHT))
    expect(css).toContain(`--${names[role] ?? role}: ${colour.toLowerCase()}`)
  for (const [role, colour] of Object.entries(DARK))
    expect(css).toContain(`--${names[role] ?? role}: ${colour.toLowerCase()}`)
})
