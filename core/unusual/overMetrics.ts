import type { Day } from '../days/day'

/** Unusual days of one metric, as far as they can be put together with those of others. */
export interface MetricFinding {
  metric: string
  from: Day
  to: Day
  direction: 'up' | 'down'
  score: number
  isSmall: boolean
  profiles: readonly { profile: number; name: string }[]
  value: number
  usual: number
}

/** Days that were unusual in several metrics at once, on profiles that these share: most likely one cause. */
export interface CauseOverMetrics<F extends MetricFinding = MetricFinding> {
  from: Day
  to: Day
  profiles: { profile: number; name: string }[]
  /** The strongest first. */
  findings: F[]
}

/**
 * Puts the unusual days of several metrics together: those whose days overlap and that share a profile are one cause.
 * Up and down go together, since what keeps people from one thing sends them to another.
 *
 * @example causesOverMetrics([calls, directions]).map(({ findings }) => findings.length) // [2] when both fell on the
 *                                    same days at the same place
 */
export function causesOverMetrics<F extends MetricFinding>(findings: readonly F[]): CauseOverMetrics<F>[] {
  const causes: F[][] = []
  const isOne = (a: F, b: F) =>
    a.from <= b.to &&
    b.from <= a.to &&
    a.profiles.some(({ profile }) => b.profiles.some((other) => other.profile === profile))
  for (const finding of findings) {
    const joined = causes.filter((cause) => cause.some((other) => isOne(finding, other)))
    for (const cause of joined) causes.splice(causes.indexOf(cause), 1)
    causes.push([...joined.flat(), finding])
  }
  return causes.map(causeOf).sort((a, b) => Math.abs(b.findings[0]!.score) - Math.abs(a.findings[0]!.score))
}

function causeOf<F extends MetricFinding>(list: readonly F[]): CauseOverMetrics<F> {
  const findings = [...list].sort((a, b) => Math.abs(b.score) - Math.abs(a.score))
  const profiles = new Map(
    findings.flatMap((finding) => finding.profiles.map(({ profile, name }) => [profile, { profile, name }] as const)),
  )
  return {
    from: findings.reduce((first, { from }) => (from < first ? from : first), findings[0]!.from),
    to: findings.reduce((last, { to }) => (to > last ? to : last), findings[0]!.to),
    profiles: [...profiles.values()],
    findings,
  }
}
