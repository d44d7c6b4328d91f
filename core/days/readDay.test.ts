import { describe, expect, it } from 'vitest'
import { readDay } from './readDay'

describe('a day as a person types it', () => {
  it.each([
    ['28 Oct 2026', '2026-10-28'],
    ['2026-10-28', '2026-10-28'],
    ['28/10/2026', '2026-10-28'],
    ['10/28/2026', '2026-10-28'],
    ['28 October', '2026-10-28'],
    ['Oct 28', '2026-10-28'],
    [' 1 Jan 2027 ', '2027-01-01'],
    ['3/3/2026', '2026-03-03'],
    ['28.10.2026', '2026-10-28'],
  ])('%s is %s', (text, day) => expect(readDay(text, '2026-05-05')).toBe(day))
  it.each([
    ['3/4/2026', 'can be two days'],
    ['soon', 'is no day'],
    ['31 Feb 2026', 'is no day'],
    ['', 'is no day'],
    ['28', 'is no day'],
    ['2026-00-10', 'is no day'],
  ])('%s is refused: %s', (text, sentence) => expect(() => readDay(text, '2026-05-05')).toThrow(sentence))
})
