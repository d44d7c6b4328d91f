import { readFileSync } from 'node:fs'
import { expect, it } from 'vitest'
import { CATALOGUE, columnsOf, isMetric, metricById } from './catalogue'
import { glossary, networksOf } from './glossary'
import { FACT_COLUMNS } from './storedFigures'

it('stands in docs as the catalogue has it', () => {
  expect(readFileSync(new URL('../../docs/glossary.md', import.meta.url), 'utf8')).toBe(glossary())
})

it('is complete: every metric has a definition, a network and columns that are stored', () => {
  expect(new Set(CATALOGUE.map(({ id }) => id)).size).toBe(CATALOGUE.length)
  for (const metric of CATALOGUE) {
    expect(metric.definition).toMatch(/\.$/)
    expect(networksOf(metric.id).length, metric.id).toBeGreaterThan(0)
    expect(columnsOf(metric).every((column) => FACT_COLUMNS.includes(column))).toBe(true)
  }
})

it('names no metric that is not there', () => {
  expect(isMetric('magic')).toBe(false)
  expect(() => metricById('magic')).toThrow('there is no metric "magic"')
  expect(networksOf('reach')).not.toContain('Murmur')
  expect(networksOf('engagement_by_reach')).toEqual(networksOf('reach'))
  expect(networksOf('saves')).toEqual(['Tintype', 'Zoetrope', 'Cork'])
})
