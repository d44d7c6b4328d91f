import { expect, it } from 'vitest'
import { refillWords } from './refillWords'

const GUIDES = {
  name: 'Guides',
  slots: [{ weekday: 1, minutes: 540 }],
  daysApart: 30,
  endsOn: '',
  isOn: true,
  goesOut: false,
}

it('says what a list does', () => {
  expect(refillWords(GUIDES)).toBe(
    'It fills Monday 09:00 with drafts; between two uses of a post lie 30 days at least.',
  )
  expect(refillWords({ ...GUIDES, daysApart: 1, endsOn: '2026-12-31', isOn: false, goesOut: true })).toBe(
    'It is switched off; it would fill Monday 09:00 with posts that go out by themselves once they are approved; between ' +
      'two uses of a post lie 1 day at least; its last day is 31 Dec 2026.',
  )
})
