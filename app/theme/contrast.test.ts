import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { contrast } from '../../core/colours/contrast'
import { DARK, LIGHT, SERIES, SERIES_DARK } from './tokens'

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
