import { Piscina } from 'piscina'
import { programOf } from './programs'

/** How many threads work at once, how many tasks may wait for them, and after how long an idle one ends. */
const THREADS = 2
const MOST_WAITING = 200
const IDLE_MS = 60_000

/**
 * Runs one module on threads of its own, so that long computations keep nobody else waiting.
 *
 * @param file  the module, from the root of the house: its default export takes one plain value and gives one
 * @returns     a function that gives the module a value and waits for its answer; it fails as the module fails
 */
export function threadOf<Input, Output>(file: string): (input: Input) => Promise<Output> {
  let pool: Piscina<Input, Output> | undefined
  return (input) => {
    pool ??= new Piscina<Input, Output>({
      filename: programOf(file),
      minThreads: 0,
      maxThreads: THREADS,
      maxQueue: MOST_WAITING,
      idleTimeout: IDLE_MS,
    })
    return pool.run(input)
  }
}
