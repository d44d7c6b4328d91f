import { describe, expect, it } from 'vitest'
import { oneAhead } from './oneAhead'

/** A source of so many numbers, which notes what was asked for and when it was told to stop. */
function counting(to: number, failsAt = Infinity) {
  const asked: number[] = []
  const state = { asked, isStopped: false, settled: 0 }
  async function* source() {
    try {
      for (let number = 1; number <= to; number++) {
        asked.push(number)
        await new Promise(setImmediate)
        state.settled++
        if (number === failsAt) throw new Error(`no ${number}`)
        yield number
      }
    } finally {
      state.isStopped = true
    }
  }
  return { source, state }
}

describe('One ahead', () => {
  it('gives everything in its order, and is asked for one more than is taken', async () => {
    const { source, state } = counting(4)
    const taken: number[] = []
    for await (const number of oneAhead(source())) {
      taken.push(number)
      expect(state.asked).toEqual([1, 2, 3, 4].slice(0, number + 1))
      // also when the next has long come
      await new Promise((done) => setTimeout(done, 5))
      expect(state.asked).toEqual([1, 2, 3, 4].slice(0, number + 1))
    }
    expect(taken).toEqual([1, 2, 3, 4])
    expect(state.isStopped).toBe(true)
  })

  it('gives what came before a failure, and then the failure', async () => {
    const { source } = counting(4, 3)
    const taken: number[] = []
    const all = (async () => {
      for await (const number of oneAhead(source())) {
        await new Promise((done) => setTimeout(done, 5))
        taken.push(number)
      }
    })()
    await expect(all).rejects.toThrow('no 3')
    expect(taken).toEqual([1, 2])
  })

  it('fails where the first one fails, and ends where there is none', async () => {
    await expect(oneAhead(counting(2, 1).source()).next()).rejects.toThrow('no 1')
    expect(await oneAhead(counting(0).source()).next()).toEqual({ done: true, value: undefined })
  })

  it('waits for what was asked for when nobody takes any more, whether or not that fails', async () => {
    for (const failsAt of [Infinity, 2]) {
      const { source, state } = counting(4, failsAt)
      const all = (async () => {
        for await (const number of oneAhead(source())) if (number === 1) throw new Error('not kept')
      })()
      await expect(all).rejects.toThrow('not kept')
      expect(state.asked).toEqual([1, 2])
      expect(state.settled).toBe(2)
      expect(state.isStopped).toBe(true)
    }
  })
})
