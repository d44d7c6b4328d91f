import ICAL from 'ical.js'
import { DateTime } from 'luxon'
import { describe, expect, it } from 'vitest'
import { repeatsOf } from '../../core/plan/repeats'
import { textLength } from '../../core/plan/textLength'

const NEW_YORK = 'America/New_York'
const local = (times: readonly number[], zone: string) =>
  times.map((at) => DateTime.fromMillis(at, { zone }).toFormat("yyyy-MM-dd'T'HH:mm"))

/** The same rule, followed by ical.js on the clock. */
function secondOpinion(rule: string, start: string, most = 100): string[] {
  const iterator = ICAL.Recur.fromString(rule).iterator(ICAL.Time.fromDateTimeString(`${start}:00`))
  const found: string[] = []
  for (let next = iterator.next() as ICAL.Time | null; next && found.length < most; next = iterator.next() as ICAL.Time)
    found.push(next.toString().slice(0, 16))
  return found
}

describe('repeats, by the examples of RFC 5545, 3.8.5.3', () => {
  // each with its rule and the times that stand there beside it; what begins at 09:00 on 2 September 1997 in New York
  it.each([
    ['FREQ=DAILY;COUNT=10', ['1997-09-02', '1997-09-03', '1997-09-11']],
    ['FREQ=WEEKLY;COUNT=10', ['1997-09-02', '1997-09-09', '1997-11-04']],
    ['FREQ=WEEKLY;COUNT=10;WKST=SU;BYDAY=TU,TH', ['1997-09-02', '1997-09-04', '1997-10-02']],
    ['FREQ=WEEKLY;INTERVAL=2;COUNT=8;WKST=SU;BYDAY=TU,TH', ['1997-09-02', '1997-09-04', '1997-10-16']],
    ['FREQ=MONTHLY;COUNT=10;BYMONTHDAY=2,15', ['1997-09-02', '1997-09-15', '1998-01-15']],
    ['FREQ=YEARLY;COUNT=10;BYMONTH=9', ['1997-09-02', '1998-09-02', '2006-09-02']],
    ['FREQ=DAILY;INTERVAL=10;COUNT=5', ['1997-09-02', '1997-09-12', '1997-10-12']],
    ['FREQ=MONTHLY;COUNT=3;BYDAY=TU,WE,TH;BYSETPOS=1', ['1997-09-02', '1997-10-01', '1997-11-04']],
  ])('%s', (rule, [first, second, last]) => {
    const times = local(repeatsOf(rule, '1997-09-02T09:00', NEW_YORK), NEW_YORK)
    expect([times[0], times[1], times.at(-1)]).toEqual([first, second, last].map((day) => `${day!}T09:00`))
  })

  it.each([
    'FREQ=DAILY;COUNT=10',
    'FREQ=DAILY;UNTIL=19971024T000000Z',
    'FREQ=DAILY;INTERVAL=10;COUNT=5',
    'FREQ=WEEKLY;COUNT=10',
    'FREQ=WEEKLY;UNTIL=19971224T000000Z',
    'FREQ=WEEKLY;COUNT=10;WKST=SU;BYDAY=TU,TH',
    'FREQ=WEEKLY;INTERVAL=2;UNTIL=19971224T000000Z;WKST=SU;BYDAY=TU,WE,FR',
    'FREQ=WEEKLY;INTERVAL=2;COUNT=8;WKST=SU;BYDAY=TU,TH',
    'FREQ=WEEKLY;INTERVAL=2;COUNT=4;BYDAY=TU,SU;WKST=MO',
    'FREQ=WEEKLY;INTERVAL=2;COUNT=4;BYDAY=TU,SU;WKST=SU',
    'FREQ=MONTHLY;COUNT=10;BYMONTHDAY=2,15',
    'FREQ=MONTHLY;COUNT=6;BYMONTHDAY=-3',
    'FREQ=MONTHLY;COUNT=10;BYDAY=1TU',
    'FREQ=MONTHLY;INTERVAL=2;COUNT=10;BYDAY=1TU,-1TU',
    'FREQ=MONTHLY;COUNT=10;BYMONTHDAY=1,-1',
    'FREQ=YEARLY;COUNT=10;BYMONTH=6,7',
    'FREQ=YEARLY;INTERVAL=2;COUNT=10;BYMONTH=1,2,3',
    'FREQ=MONTHLY;COUNT=7;BYDAY=SA;BYMONTHDAY=7,8,9,10,11,12,13',
    'FREQ=YEARLY;INTERVAL=4;COUNT=5;BYMONTH=11;BYDAY=TU;BYMONTHDAY=2,3,4,5,6,7,8',
    'FREQ=MONTHLY;COUNT=6;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-2',
  ])('agree with ical.js on %s', (rule) => {
    const start = '1997-09-02T09:00'
    const expected = secondOpinion(rule, start)
    // the beginning counts as the first time, also where the rule does not name it (3.8.5.3); ical.js leaves it out
    const times = local(repeatsOf(rule, start, NEW_YORK), NEW_YORK)
    expect(times.length).toBeGreaterThan(3)
    expect(times.filter((time) => expected.includes(time) || time !== start)).toEqual(expected)
    expect(times[0]).toBe(start)
  })

  it.each([
    ['Europe/London', '2026-10-22T18:00'],
    [NEW_YORK, '2026-10-29T18:00'],
    ['Australia/Lord_Howe', '2026-10-01T18:00'],
    ['Asia/Kathmandu', '2026-10-22T18:00'],
  ])('stay at the same time of the clocks of %s', (zone, start) => {
    const times = local(repeatsOf('FREQ=DAILY;COUNT=60', start, zone), zone)
    expect(new Set(times.map((time) => time.slice(11)))).toEqual(new Set(['18:00']))
    expect(new Set(times).size).toBe(60)
  })
})

describe('the length of a text, by Unicode', () => {
  // UAX 29, table 1a: each of these is one extended grapheme cluster, whatever its code points
  it.each([
    ['g\u0308', 'a letter with its diaeresis'],
    ['각', 'Hangul of one code point'],
    ['\u1100\u1161\u11a8', 'Hangul of three'],
    ['ก', 'a Thai letter'],
    ['\u0ba8\u0bbf', 'Tamil ni'],
    ['🇬🇬', 'a flag'],
    ['👨‍👩‍👧‍👦', 'a family'],
    ['\r\n', 'the end of a line'],
  ])('%s is one letter: %s', (text) => {
    expect(textLength(text, 'letters')).toBe(1)
  })
  it('counts code points and units as Unicode does', () => {
    expect(textLength('👨‍👩‍👧‍👦', 'code points')).toBe(7)
    expect(textLength('👨‍👩‍👧‍👦', 'units')).toBe(11)
  })
})
