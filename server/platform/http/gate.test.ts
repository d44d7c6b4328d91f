import { describe, expect, it } from 'vitest'
import { Busy, Gate } from './gate'

describe('a gate', () => {
  it('lets so many in at once, and the next when one leaves', async () => {
    const gate = new Gate({ atOnce: 2, waiting: 5, patienceMs: 500 })
    const [first] = [await gate.enter(), await gate.enter()]
    let isIn = false
    const third = gate.enter().then((leave) => {
      isIn = true
      return leave
    })
    await new Promise((resolve) => setTimeout(resolve, 20))
    expect(isIn).toBe(false)
    first!()
    await third
    expect(isIn).toBe(true)
  })

  it('tells at once who would wait too long, and after a while whose turn did not come; nobody who gave up keeps a place', async () => {
    const gate = new Gate({ atOnce: 1, waiting: 2, patienceMs: 60 })
    const leave = await gate.enter()
    const waiting = [gate.enter(), gate.enter()]
    const began = performance.now()
    await expect(gate.enter()).rejects.toBeInstanceOf(Busy)
    expect(performance.now() - began).toBeLessThan(50)
    for (const one of waiting) await expect(one).rejects.toBeInstanceOf(Busy)
    leave()
    const next = await gate.enter()
    next()
  })

  it('lets the first few wait longer than the many behind them', async () => {
    const gate = new Gate({ atOnce: 1, waiting: 5, patienceMs: 40, first: { many: 1, patienceMs: 5000 } })
    const leave = await gate.enter()
    const patient = gate.enter()
    await expect(gate.enter()).rejects.toBeInstanceOf(Busy)
    leave()
    ;(await patient)()
  })
})
