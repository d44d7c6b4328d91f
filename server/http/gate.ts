import PQueue from 'p-queue'

/** How much of one sort of work goes on at once in this process, how much more may wait, and for how long. */
export interface Room {
  atOnce: number
  waiting: number
  patienceMs: number
}

/** There is more to do than can be answered in good time. */
export class Busy extends Error {}

/** Lets so many requests in at once. The others wait their turn for a moment; who would wait longer is told so at once. */
export class Gate {
  readonly #queue: PQueue
  readonly #room: Room

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
    if (this.#queue.size >= this.#room.waiting) return Promise.reject(new Busy('too many wait already'))
    const given = new AbortController()
    const timer = setTimeout(() => given.abort(), this.#room.patienceMs)
    return new Promise((entered, refused) => {
      this.#queue.add(() => {
        clearTimeout(timer)
        return new Promise<void>((release) => entered(release))
      }, { signal: given.signal }).catch(() => refused(new Busy('its turn did not come in time')))
    })
  }
}
