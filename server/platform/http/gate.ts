import PQueue from 'p-queue'

/** How much of one sort of work goes on at once in this process, how much more may wait, and for how long. */
export interface Room {
  atOnce: number
  waiting: number
  patienceMs: number
  /** Where no more than so many wait, a turn comes for certain: whoever is among them may wait longer; the fewest first. */
  first?: readonly { many: number; patienceMs: number }[]
}

/** There is more to do than can be answered in good time. */
export class Busy extends Error {}

/**
 * Lets so many requests in at once. The others wait their turn for a moment; who would wait longer is told so at once.
 */
export class Gate {
  readonly #queue: PQueue
  readonly #room: Room
  /** How many wait and have not given up. */
  #waiting = 0

  constructor(room: Room) {
    this.#room = room
    this.#queue = new PQueue({ concurrency: room.atOnce })
  }

  /**
   * Waits for a place.
   *
   * @returns   what gives the place back
   * @throws    Busy
   */
  enter(): Promise<() => void> {
    if (this.#waiting >= this.#room.waiting) return Promise.reject(new Busy('too many wait already'))
    const { patienceMs } = this.#room.first?.find(({ many }) => this.#waiting < many) ?? this.#room
    this.#waiting++
    return new Promise((entered, refused) => {
      let isWaiting = true
      const stopWaiting = () => {
        isWaiting = false
        this.#waiting--
      }
      const giveUp = () => {
        stopWaiting()
        refused(new Busy('its turn did not come in time'))
      }
      const end = performance.now() + patienceMs
      const timer = setTimeout(giveUp, patienceMs)
      void this.#queue.add(async () => {
        // whoever has given up leaves the place to the next
        if (!isWaiting) return
        clearTimeout(timer)
        // a process that has much to do comes to its timers late
        if (performance.now() > end) return giveUp()
        stopWaiting()
        await new Promise<void>((release) => entered(release))
      })
    })
  }
}
