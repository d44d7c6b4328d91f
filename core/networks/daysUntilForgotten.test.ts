import { describe, expect, it } from 'vitest'
import { daysUntilForgotten } from './daysUntilForgotten'
import { rememberedDays } from './rememberedDays'

describe('what a network will soon forget', () => {
  it('is the first day that we do not have', () => {
    // 45 days back from 28 October is 14 September: the 21st of October, eight days old, goes in 37
    expect(daysUntilForgotten('2026-10-20', '2026-10-28', 45)).toBe(37)
  })
  it('is at stake at once when nothing was fetched yet, or a day is lost already', () => {
    expect(daysUntilForgotten(null, '2026-10-28', 45)).toBe(0)
    expect(daysUntilForgotten('2026-08-01', '2026-10-28', 45)).toBe(0)
  })
  it('is what the network keeps for the shortest time, of a profile without consent what anybody sees', () => {
    expect([
      rememberedDays('tintype', true),
      rememberedDays('tintype', false),
      rememberedDays('lantern', true),
    ]).toEqual([35, 30, 400])
    expect(rememberedDays('nowhere', true)).toBe(0)
  })
  it('puts a network with a short memory first', () => {
    expect(daysUntilForgotten('2026-10-20', '2026-10-28', 45)).toBeLessThan(
      daysUntilForgotten('2026-10-18', '2026-10-28', 400),
    )
  })
})
