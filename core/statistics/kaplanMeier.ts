/** How long something was waited for: until it came, or until now where it has not come yet. */
export interface Wait {
  /** In any unit (≥ 0). */
  time: number
  /** Whether it came then; else it was still waited for, and is known only to take longer. */
  isOver: boolean
}

/** What part still waits after a time at which some waits ended. */
export interface WaitingPart {
  time: number
  /** Waits that had lasted so long, and how many of them ended then. */
  atRisk: number
  ended: number
  /** The part that waits longer than this, from 1 to 0. */
  waiting: number
}

/**
 * What part still waits, over time, where some waits are not over: the product-limit estimate. Kaplan EL, Meier P (1958),
 * "Nonparametric estimation from incomplete observations", J Am Stat Assoc 53:457–481. A wait that is broken off at the
 * very time at which another ends counts as at risk then.
 *
 * @param waits  in any order
 * @returns      a step for each time at which a wait ended, in order; none where none did
 * @throws       RangeError when a time is below zero or no number
 * @example kaplanMeier([{ time: 6, isOver: true }, { time: 6, isOver: false }])
 * // [{ time: 6, atRisk: 2, ended: 1, waiting: 0.5 }]
 */
export function kaplanMeier(waits: readonly Wait[]): WaitingPart[] {
  const bad = waits.find(({ time }) => !(time >= 0))
  if (bad) throw new RangeError(`${bad.time} is no time to wait`)
  const sorted = [...waits].sort((a, b) => a.time - b.time)
  const steps: WaitingPart[] = []
  let waiting = 1
  for (let index = 0; index < sorted.length; ) {
    const { time } = sorted[index]!
    const atRisk = sorted.length - index
    let ended = 0
    for (; index < sorted.length && sorted[index]!.time === time; index++) ended += sorted[index]!.isOver ? 1 : 0
    if (ended === 0) continue
    waiting *= 1 - ended / atRisk
    steps.push({ time, atRisk, ended, waiting })
  }
  return steps
}

/**
 * The median wait: the first time after which no more than half still wait.
 *
 * @returns undefined while more than half still wait: it is not known yet, only that it is longer
 * @example medianWait(kaplanMeier([{ time: 2, isOver: true }, { time: 5, isOver: false }])) // 2
 */
export const medianWait = (steps: readonly WaitingPart[]): number | undefined =>
  steps.find(({ waiting }) => waiting <= 0.5 + 1e-12)?.time
