import { describe, expect, it } from 'vitest'
import { changeOf } from '../../core/change/change'
import type { Figure } from '../../core/figures/figure'
import { figureCells, figureColumns } from './figureColumns'

const reach = (value: number, low: number, high: number): Figure => ({
  metric: 'reach',
  value,
  low,
  high,
  exactness: 'estimated',
  observations: value,
  coverage: { expected: 1, present: 1, partial: [], unreported: [] },
})
const [now, then] = [reach(143_712.4, 19_063.4, 200_001.2), reach(143_245.4, 18_000, 210_000)]
const cells = figureCells({ figure: now, change: changeOf(now, then) })
const cell = (title: string) => cells[figureColumns('reach').findIndex((column) => column.title === title)]

describe('a figure in a file', () => {
  it('has its value as it is, and its ends outside the range: what it calls "at least" is never above what is known', () => {
    expect([cell('Reach'), cell('Reach, at least'), cell('Reach, at most')]).toEqual([143_712.4, 19_063, 200_002])
  })

  it('has the difference of what stands beside it', () => {
    expect(cell('Reach, difference')).toBe((cell('Reach, now') as number) - (cell('Reach, then') as number))
    expect(cell('Reach, now')).toBe(143_712.4)
  })
})
