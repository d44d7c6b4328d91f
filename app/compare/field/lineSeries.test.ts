import { describe, expect, it } from 'vitest'
import type { FieldLines } from '~~/shared/compare/fieldLines'
import { drawnMembers, fieldLineOptions, lineValue, MOST_LINES, strokeSeries } from './lineSeries'

const member = (id: number, values: (number | undefined)[], breaks: FieldLines['members'][number]['breaks'] = []) => ({
  id,
  name: `Member ${id}`,
  isOwn: id === 0,
  values,
  breaks,
})
const lines = (part: Partial<FieldLines>): FieldLines => ({
  metric: 'followers',
  form: 'level',
  weeks: ['2026-10-07', '2026-10-14', '2026-10-21', '2026-10-28'],
  members: [],
  ...part,
})
const broken = { week: 2, begins: ['Lantern'], ends: [] }

describe('the lines of a field', () => {
  it('are cut where a member has other profiles, and have gaps where a week is not known', () => {
    const shown = lines({ members: [member(1, [1, 2, 9, undefined], [broken])] })
    const points = (...values: (number | null)[]) => values.map((y, x) => ({ x, y }))
    expect(strokeSeries(shown)).toEqual([
      { name: 'Member 1', colour: 0, data: points(1, 2, null, null) },
      { name: 'Member 1, part 2', colour: 0, data: points(null, null, 9, null) },
    ])
    // change and index rest on what both weeks have, and go on
    expect(strokeSeries({ ...shown, form: 'index' })).toHaveLength(1)
  })
  it('begin with the client, leave out who has no value, and are as many as colours tell apart', () => {
    const all = [...Array.from({ length: 12 }, (_, index) => member(index + 1, [1, 1, 1, 1])), member(0, [2, 2, 2, 2])]
    const shown = drawnMembers(lines({ members: [member(50, [undefined, undefined, undefined, undefined]), ...all] }))
    expect(shown).toHaveLength(MOST_LINES)
    expect(shown[0]!.name).toBe('Member 0')
    expect(shown.some(({ id }) => id === 50)).toBe(false)
  })
  it('are read in the form in which they are drawn', () => {
    const plain = (text: string) => text.replaceAll('\u202F', ' ')
    expect(plain(lineValue(lines({}), 66_613, 'en-GB'))).toBe('66.6 k')
    expect(plain(lineValue(lines({ form: 'change' }), 0.021, 'en-GB'))).toBe('+2.1 %')
    expect(lineValue(lines({ form: 'index' }), 104.26, 'en-GB')).toBe('104.3')
    expect(plain(lineValue(lines({ form: 'share' }), 0.276, 'en-GB'))).toBe('27.6 %')
    expect(lineValue(lines({}), undefined, 'en-GB')).toBe('—')
  })
  it('have a mark at every break, in the colour of its member, light and dark', () => {
    const shown = lines({ members: [member(0, [1, 1, 1, 1]), member(1, [1, 2, 3, 4], [broken])] })
    for (const isDark of [false, true]) {
      const options = fieldLineOptions(shown, { locale: 'en-GB', isDark, font: 'serif' })
      expect(options.annotations!.xaxis).toEqual([expect.objectContaining({ x: 2, borderColor: options.colors![1] })])
      expect(options.colors).toHaveLength(3)
    }
  })
})
