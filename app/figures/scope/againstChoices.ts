import type { Against } from '~~/core/periods/comparison'

/** What a period can be compared with by name. */
export const AGAINST_CHOICES: readonly { value: Against; name: string; hint: string }[] = [
  {
    value: 'before',
    name: 'The one before',
    hint: 'the whole month before, the same days of it for a month so far, or as many days',
  },
  { value: 'days-before', name: 'As many days before', hint: 'whatever the period is' },
  { value: 'same-dates-last-year', name: 'The same dates last year', hint: '' },
  { value: 'same-weekdays-last-year', name: 'The same weekdays last year', hint: '364 days earlier, Monday on Monday' },
  { value: 'none', name: 'Nothing', hint: 'no comparison' },
]
