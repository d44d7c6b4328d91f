import { fork } from 'node:child_process'
import { programOf } from '../programs'
import type { Job } from './queue'

/** How much memory a process for one job may take: what needs more is ended, and nothing else with it. */
const MEMORY_MB = 256

/**
 * Works on a claimed job in a process of its own. The claim stays with whoever asks.
 *
 * @param program  what it runs, from the root of the house
 * @returns whether the process came to an end of its own
 */
export function runAlone(job: Job, program: string): Promise<boolean> {
  const child = fork(programOf(program), [], { execArgv: [`--max-old-space-size=${MEMORY_MB}`] })
  return new Promise((resolve) => {
    child.once('error', () => resolve(false))
    child.once('exit', (code) => resolve(code === 0))
    child.send(job)
  })
}
