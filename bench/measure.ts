import { setTimeout as pause } from 'node:timers/promises'

/** The median time of a piece of work over some rounds, in milliseconds, after one round to warm up. */
export async function median(rounds: number, work: () => unknown): Promise<number> {
  const times: number[] = []
  await work()
  for (let round = 0; round < rounds; round++) {
    const began = performance.now()
    await work()
    times.push(performance.now() - began)
  }
  return times.sort((a, b) => a - b)[Math.floor(times.length / 2)]!
}

/** How long nothing is done before a round, so that what the last one left to do is not counted with it. */
const PAUSE_MS = 5

/**
 * The median times of several pieces of work that are set against each other, each round of one after a round of the
 * others: a machine that changes its speed meanwhile changes it for all of them.
 */
export async function medians<Name extends string>(
  rounds: number,
  works: Readonly<Record<Name, () => unknown>>,
): Promise<Record<Name, number>> {
  const names = Object.keys(works) as Name[]
  const found = names.map((name) => ({ name, times: [] as number[] }))
  for (const name of names) await works[name]()
  for (let round = 0; round < rounds; round++)
    for (const { name, times } of found) {
      await pause(PAUSE_MS)
      const began = performance.now()
      await works[name]()
      times.push(performance.now() - began)
    }
  return Object.fromEntries(
    found.map(({ name, times }) => [name, times.sort((a, b) => a - b)[Math.floor(rounds / 2)]!]),
  ) as Record<Name, number>
}

/** Prints a line: what was measured, the figures, and the goal with whether it is met. */
export function report(what: string, figures: Record<string, string>, goal?: { text: string; met: boolean }): void {
  console.log(
    `${what}: ${Object.entries(figures)
      .map(([name, value]) => `${name} ${value}`)
      .join(', ')}${goal ? ` — goal: ${goal.text}, ${goal.met ? 'met' : 'MISSED'}` : ''}`,
  )
}

export const ms = (value: number): string => `${value.toFixed(value < 10 ? 2 : 0)} ms`
export const times = (value: number): string => `${value.toFixed(2)}×`
