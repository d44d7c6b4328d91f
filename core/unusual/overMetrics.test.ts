import { describe, expect, it } from 'vitest'
import { causesOverMetrics, type MetricFinding } from './overMetrics'

const finding = (metric: string, from: string, to: string, profiles: number[], score = -5): MetricFinding => ({
  metric,
  from,
  to,
  direction: score > 0 ? 'up' : 'down',
  score,
  isSmall: false,
  profiles: profiles.map((profile) => ({ profile, name: `P${profile}` })),
  value: 1,
  usual: 9,
})

describe('unusual days over metrics', () => {
  it('are one cause where days overlap and a profile is shared, the strongest first', () => {
    const causes = causesOverMetrics([
      finding('reactions', '2026-10-03', '2026-10-05', [1, 2]),
      finding('calls', '2026-10-05', '2026-10-06', [2], 9),
      finding('clicks', '2026-10-20', '2026-10-20', [1], -4),
    ])
    expect(causes).toMatchObject([
      {
        from: '2026-10-03',
        to: '2026-10-06',
        profiles: [{ profile: 2 }, { profile: 1 }],
        findings: [{ metric: 'calls' }, { metric: 'reactions' }],
      },
      { from: '2026-10-20', findings: [{ metric: 'clicks' }] },
    ])
  })

  it('are two causes on other profiles, or on days that do not overlap', () => {
    expect(
      causesOverMetrics([
        finding('a', '2026-10-03', '2026-10-03', [1]),
        finding('b', '2026-10-03', '2026-10-03', [2]),
        finding('c', '2026-10-04', '2026-10-04', [1]),
      ]),
    ).toHaveLength(3)
  })

  it('are put together whichever comes first, also when one joins two', () => {
    const list = [
      finding('a', '2026-10-01', '2026-10-02', [1]),
      finding('b', '2026-10-04', '2026-10-05', [1]),
      finding('c', '2026-10-02', '2026-10-04', [1]),
    ]
    for (const order of [list, [...list].reverse(), [list[2]!, list[0]!, list[1]!]])
      expect(causesOverMetrics(order).map(({ from, to, findings }) => [from, to, findings.length])).toEqual([
        ['2026-10-01', '2026-10-05', 3],
      ])
  })
})
