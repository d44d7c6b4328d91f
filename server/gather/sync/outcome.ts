import type { Day } from '../../../core/days/day'

/** What a sync has brought, with everything that was out of the ordinary and how it ended. */
export function outcome(
  last: Day,
  { asked, absent, twice, restated }: { asked: number; absent: number; twice: number; restated: number },
): string {
  const days = (count: number) => `${count} ${count === 1 ? 'day' : 'days'}`
  return [
    `Figures up to ${last}`,
    ...(absent > 0
      ? [
          `of the ${days(asked)} asked for last, ${absent} ${absent === 1 ? 'is' : 'are'} missing at the ` +
            'network; a gap stays a gap until it fills it',
        ]
      : []),
    ...(twice > 0 ? [`${days(twice)} came twice and count once`] : []),
    ...(restated > 0 ? [`${days(restated)} restated`] : []),
  ].join('; ')
}
