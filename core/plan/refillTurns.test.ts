import * as fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { addDays, daysBetween } from '../days/day'
import { refillTurns } from './refillTurns'
import { zonedInstant, zonedTime } from './zonedInstant'

const zone = 'Europe/London'
const MON_NINE = { weekday: 1, minutes: 540 }
const THU_EVENING = { weekday: 4, minutes: 1110 }
const at = (local: string) => zonedInstant(local, zone)
const asked = {
  zone,
  now: Date.parse('2026-10-29T06:00Z'),
  until: '2026-11-12',
  taken: [],
  filled: [],
  daysApart: 10,
}

describe('slots that are refilled', () => {
  it('fall after the gap on the day on which the clocks leap over them, and are not skipped', () => {
    const night = { weekday: 7, minutes: 90 }
    const spring = { ...asked, now: at('2027-03-22T00:00'), until: '2027-04-05' }
    expect(refillTurns([{ id: 1, used: [] }], [night], spring).map((turn) => turn.at)).toEqual([
      '2027-03-28T02:30',
      '2027-04-04T01:30',
    ])
  })

  it('take what was never used first, then what was used least recently', () => {
    const posts = [
      { id: 1, used: [at('2026-10-10T09:00')] },
      { id: 2, used: [at('2026-09-01T09:00')] },
      { id: 3, used: [] },
    ]
    // the 29th of October 2026 is a Thursday
    expect(refillTurns(posts, [MON_NINE, THU_EVENING], asked)).toEqual([
      { at: '2026-10-29T18:30', post: 3 },
      { at: '2026-11-02T09:00', post: 2 },
      { at: '2026-11-05T18:30', post: 1 },
      { at: '2026-11-09T09:00', post: 3 },
      { at: '2026-11-12T18:30', post: 2 },
    ])
  })
  it('stay empty where no post has rested, or one will be used soon', () => {
    const posts = [{ id: 1, used: [at('2026-11-10T09:00')] }]
    expect(refillTurns(posts, [THU_EVENING], asked)).toEqual([
      { at: '2026-10-29T18:30', post: 1 },
      { at: '2026-11-05T18:30', post: undefined },
      { at: '2026-11-12T18:30', post: undefined },
    ])
    expect(refillTurns([], [MON_NINE], { ...asked, until: '2026-11-02' })).toEqual([
      { at: '2026-11-02T09:00', post: undefined },
    ])
  })
  it('are filled once, and never beside another post', () => {
    const posts = [{ id: 1, used: [] }]
    const filled = [at('2026-10-29T18:30')]
    const taken = [at('2026-11-05T19:00')]
    expect(refillTurns(posts, [THU_EVENING], { ...asked, filled, taken })).toEqual([
      { at: '2026-11-12T18:30', post: 1 },
    ])
  })
  it('never use a post twice within its days, and never leave a slot to a post that was used later than another', () => {
    const day = fc.integer({ min: -60, max: 30 })
    fc.assert(
      fc.property(
        fc.array(fc.array(day, { maxLength: 4 }), { maxLength: 6 }),
        fc.integer({ min: 1, max: 40 }),
        (uses, daysApart) => {
          const posts = uses.map((days, id) => ({
            id,
            used: days.map((each) => at(`${addDays('2026-10-29', each)}T12:00`)),
          }))
          const turns = refillTurns(posts, [MON_NINE, THU_EVENING], { ...asked, daysApart })
          expect(turns.map((turn) => turn.at)).toEqual([
            '2026-10-29T18:30',
            '2026-11-02T09:00',
            '2026-11-05T18:30',
            '2026-11-09T09:00',
            '2026-11-12T18:30',
          ])
          const used = new Map(posts.map((post) => [post.id, [...post.used]]))
          for (const turn of turns) {
            const rested = [...used].filter(([, all]) =>
              all.every(
                (each) => Math.abs(daysBetween(zonedTime(each, zone).slice(0, 10), turn.at.slice(0, 10))) >= daysApart,
              ),
            )
            const latest = (all: number[]) => (all.length > 0 ? Math.max(...all) : -Infinity)
            const oldest = Math.min(...rested.map(([, all]) => latest(all)))
            if (turn.post === undefined) expect(rested).toEqual([])
            else {
              expect(rested.find(([id]) => id === turn.post)).toBeDefined()
              expect(latest(used.get(turn.post)!)).toBe(oldest)
              used.get(turn.post)!.push(at(turn.at))
            }
          }
        },
      ),
      { numRuns: 200 },
    )
  })
})
