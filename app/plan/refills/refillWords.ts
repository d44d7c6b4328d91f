import { clockTime } from '~~/core/plan/freeSlots'
import { describeDay } from '~~/core/periods/describePeriod'
import { WEEKDAYS } from '~~/core/times/slots'
import type { RefillInput } from '~~/shared/plan/refills'

/**
 * What a list does, in words.
 *
 * @example refillWords({ name: 'Guides', slots: [{ weekday: 1, minutes: 540 }], daysApart: 30, endsOn: '', isOn: true,
 *   goesOut: false })
 * // 'It fills Monday 09:00 with drafts; between two uses of a post lie 30 days at least.'
 */
export function refillWords({ slots, daysApart, endsOn, isOn, goesOut }: RefillInput): string {
  const times = slots.map(({ weekday, minutes }) => `${WEEKDAYS[weekday - 1]} ${clockTime(minutes)}`).join(', ')
  const days = `${daysApart} ${daysApart === 1 ? 'day' : 'days'}`
  return [
    `It ${isOn ? 'fills' : 'is switched off; it would fill'} ${times} with `,
    goesOut ? 'posts that go out by themselves once they are approved' : 'drafts',
    `; between two uses of a post lie ${days} at least`,
    endsOn ? `; its last day is ${describeDay(endsOn)}` : '',
    '.',
  ].join('')
}
