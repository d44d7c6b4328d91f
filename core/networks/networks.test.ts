import { describe, expect, it } from 'vitest'
import { metricById } from '../metrics/catalogue'
import { FACT_COLUMNS } from '../metrics/storedFigures'
import { ownColumns, reportsMetric } from '../metrics/reportsMetric'
import { networkById, NETWORKS, reportsColumn } from './networks'

describe('the networks', () => {
  it('report columns that are stored, each once, and remember for a while', () => {
    for (const { id, reports, historyDays, formats } of NETWORKS) {
      expect(new Set(reports).size, id).toBe(reports.length)
      expect(
        reports.every((column) => FACT_COLUMNS.includes(column)),
        id,
      ).toBe(true)
      expect(historyDays, id).toBeGreaterThanOrEqual(45)
      expect(formats.length, id).toBeGreaterThan(0)
    }
    expect(new Set(NETWORKS.map(({ id }) => id)).size).toBe(8)
  })

  it('leave no stored column without a network that fills it', () => {
    for (const column of FACT_COLUMNS)
      expect(
        NETWORKS.some((network) => reportsColumn(network, column)),
        column,
      ).toBe(true)
  })

  it('report a metric when they give what is its own: impressions alone make no reach', () => {
    expect(reportsMetric(networkById('murmur'), 'impressions')).toBe(true)
    expect(reportsMetric(networkById('murmur'), 'reach')).toBe(false)
    expect(reportsMetric(networkById('murmur'), 'frequency')).toBe(false)
    expect(reportsMetric(networkById('waymark'), 'action_rate')).toBe(true)
    const reach = metricById('reach')
    expect(reach.kind === 'unique' && ownColumns(reach)).toEqual(['reach_1d', 'reach_7d', 'reach_28d'])
  })

  it('are known by their ids only', () => {
    expect(networkById('elsewhere')).toMatchObject({ name: 'elsewhere (not known here)', reports: [], formats: [] })
    expect(() => reportsMetric(networkById('cork'), 'magic')).toThrow('there is no metric "magic"')
  })
})
