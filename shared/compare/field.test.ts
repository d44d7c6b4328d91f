import { describe, expect, it } from 'vitest'
import { columnsOf, metricById } from '../../core/metrics/catalogue'
import { PUBLIC_COLUMNS } from '../../core/metrics/storedFigures'
import { FIELD_MEASURES } from './field'

describe('the measures of a field', () => {
  it.each(FIELD_MEASURES.map(({ metric }) => metric))('%s is one that everybody can see', (metric) => {
    expect(metricById(metric).isPublic).toBe(true)
    expect(columnsOf(metricById(metric)).some((column) => PUBLIC_COLUMNS.includes(column))).toBe(true)
  })
})
