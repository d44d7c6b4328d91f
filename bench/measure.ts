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
