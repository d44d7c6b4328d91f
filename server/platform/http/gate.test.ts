import { describe, expect, it, vi } from 'vitest'
import { Busy, Gate } from './gate'
import { GATES } from './gates'

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
    const first = [
      { many: 1, patienceMs: 5000 },
      { many: 2, patienceMs: 80 },
    ]
    const gate = new Gate({ atOnce: 1, waiting: 5, patienceMs: 10, first })
    const leave = await gate.enter()
    const ended: string[] = []
    const asked = ['first', 'second', 'third'].map((name) =>
      gate.enter().then(
        () => ended.push(`${name} is in`),
        (error: Error) => ended.push(`${name}: ${error.message}`),
      ),
    )
    await Promise.all(asked.slice(1))
    leave()
    await asked[0]
    expect(ended).toEqual([
      'third: its turn did not come in time',
      'second: its turn did not come in time',
      'first is in',
    ])
  })

  it('lets all that one page asks wait for its slowest answer', async () => {
    vi.useFakeTimers()
    try {
      const slow = [await GATES.reading.enter(), await GATES.reading.enter()]
      const others = Array.from({ length: 14 }, () => GATES.reading.enter().then((leave) => leave()))
      await vi.advanceTimersByTimeAsync(5000)
      for (const leave of slow) leave()
      await Promise.all(others)
    } finally {
      vi.useRealTimers()
    }
  })
})
