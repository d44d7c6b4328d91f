import { expect, it } from 'vitest'
import { comparison } from '../periods/comparison'
import { noWindows } from './aggregate'
import { factTable, rowsBetween } from './factTable'
import { dayNumber } from '../days/day'
import { onPairedDays, pairedSums } from './pairedSums'

const period = { from: '2026-10-08', to: '2026-10-10' }
const against = comparison(period, 'before')!

it('sums only days that have a value on both sides', () => {
  const table = factTable([
    { profile: 1, day: '2026-10-05', impressions: 10 }, { profile: 1, day: '2026-10-06', impressions: null }, { profile: 1, day: '2026-10-07', impressions: 30 },
    { profile: 1, day: '2026-10-08', impressions: 11 }, { profile: 1, day: '2026-10-09', impressions: 22 },
  ])
  expect(pairedSums(table, period, against, ['impressions']).get(1)).toEqual({ impressions: { current: 11, earlier: 10, days: 1 } })
})

it('takes a figure away where no day pairs', () => {
  const aggregate = { profile: 1, network: 'commons', sums: { impressions: 5 }, counts: { impressions: 2 }, stocks: {}, windows: noWindows({ from: '2026-10-01', to: '2026-10-03' }, ['reach']) }
  const [left] = onPairedDays([aggregate], new Map([[1, { impressions: { current: 0, earlier: 0, days: 0 } }]]), 'current')
  expect(left!.sums).toEqual({})
  expect(aggregate.sums).toEqual({ impressions: 5 })
})

it('finds the rows of a stretch of days, and refuses a day that comes twice', () => {
  const table = factTable([{ profile: 2, day: '2026-10-03' }, { profile: 1, day: '2026-10-02' }, { profile: 1, day: '2026-10-01' }])
  expect(table.ranges).toEqual([{ profile: 1, start: 0, end: 2 }, { profile: 2, start: 2, end: 3 }])
  expect(rowsBetween(table, table.ranges[0]!, dayNumber('2026-10-02'), dayNumber('2026-10-09'))).toEqual({ start: 1, end: 2 })
  expect(() => factTable([{ profile: 1, day: '2026-10-01' }, { profile: 1, day: '2026-10-01' }])).toThrow('profile 1 has 2026-10-01 twice')
})
