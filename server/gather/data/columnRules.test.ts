import { describe, expect, it } from 'vitest'
import { DATASETS } from '../../../core/datasets/datasets'
import { RECORDS } from '../../../core/datasets/records'
import { FREE_TEXTS, hasRule, refuseOtherRecord, refuseOtherRow, WORD_COLUMNS } from './columnRules'

const refuse = (name: string, value: string | number) => {
  const [table, column] = name.split('.') as [string, string]
  const kind = RECORDS.find(({ id }) => id === table)
  const dataset = DATASETS.find(({ id }) => id === table)
  return () => (kind ? refuseOtherRecord(kind, { [column]: value }) : refuseOtherRow(dataset!, { [column]: value }))
}
const columnsOf = (...types: string[]) => [
  ...RECORDS.flatMap(({ id, columns }) =>
    columns.filter(({ type }) => types.includes(type)).map(({ column }) => `${id}.${column}`),
  ),
  ...DATASETS.flatMap(({ id, keys, texts }) =>
    [...keys, ...texts].filter(({ type }) => types.includes(type)).map(({ column }) => `${id}.${column}`),
  ),
]

describe('what a column of a package may hold', () => {
  it('is said of every column of words: any text, or by a rule', () => {
    expect(WORD_COLUMNS.filter((name) => FREE_TEXTS.has(name) === hasRule(name))).toEqual([])
    expect([...FREE_TEXTS].filter((name) => !WORD_COLUMNS.includes(name))).toEqual([])
  })

  it.each(columnsOf('day', 'instant'))('%s lies in years that a person can mean', (name) => {
    const rest = name.endsWith('_at') || name.endsWith('_until') ? 'T00:00:00Z' : ''
    expect(refuse(name, `0001-01-01${rest}`)).toThrow('outside the years')
    expect(refuse(name, `9999-12-31${rest}`)).toThrow('outside the years')
    if (!name.startsWith('edition.')) expect(refuse(name, `2026-10-28${rest}`)).not.toThrow()
  })

  it.each(columnsOf('number', 'integer'))('%s is a number of a size that there is', (name) =>
    expect(refuse(name, 1e308)).toThrow(name.split('.')[1]!),
  )

  it.each(columnsOf('text'))('%s has no sign that no text has', (name) => expect(refuse(name, 'a\0b')).toThrow())

  it.each<[string, string | number]>([
    ['profile.network', 'nowhere'],
    ['profile.consent', 'perhaps'],
    ['tag.colour', 9],
    ['tag.colour', 0],
    ['tag_rule.formats', 'holograms'],
    ['tag_rule.who', 'everybody; DROP'],
    ['tag_rule.hashtags', '# #'],
    ['site.address', 'javascript:alert(1)'],
    ['poll.chosen', 'by the stars'],
    ['poll.people', -1],
    ['tracked_link.target', 'javascript:alert(1)'],
    ['tracked_link.target', 'file:///etc/passwd'],
    ['tracked_link.target', 'no address'],
    ['tracked_link.code', '../../x'],
    ['link_page.ground', 'red;background:url(x)'],
    ['link_page.ink', '#12345'],
    ['link_page.accent', 'none'],
    ['place.lat', 91],
    ['place.lon', -181],
    ['place.country', 'Atlantis'],
    ['place.web', 'javascript:alert(1)'],
    ['place.hours', 'when we like'],
    ['rank_watch.kind', 'dream'],
    ['rank_watch.rhythm', 'now and then'],
    ['rank_watch.shape', 'star'],
    ['rank_watch.spacing', 1],
    ['rank_watch.rings', 99],
    ['rank_watch.lat', 200],
    ['rank_check.points', 0],
    ['rank_check.here', 0],
    ['rank_check.in_first', -1],
    ['directory_entry.directory', 'the book of faces'],
    ['directory_entry.address', 'javascript:alert(1)'],
    ['entry_change.field', 'soul'],
    ['entry_change.state', 'maybe'],
    ['entry_correction.field', 'soul'],
    ['entry_correction.state', 'maybe'],
    ['entry_request.directory', 'nowhere'],
    ['entry_request.state', 'maybe'],
    ['sighting.kind', 'ghost'],
    ['sighting.usual', -1],
    ['industry_figure.measure', 'luck'],
    ['industry_figure.network', 'nowhere'],
    ['industry_figure.middle_value', -2],
    ['slot_try.response', 'applause'],
    ['slot_try.base', 'hope'],
    ['slot_try.before_spread', -1],
    ['plan_file.type', 'text/html'],
    ['planned_post.state', 'lost'],
    ['planned_posting.state', 'lost'],
    ['planned_posting.address', 'javascript:alert(1)'],
    ['plan_slot.weekday', 99],
    ['plan_slot.minutes', 60_000],
    ['plan_refill_slot.weekday', 0],
    ['plan_refill.days_apart', -5],
    ['target.metric', 'joy'],
    ['target.who', 'me'],
    ['target.wanted', -1],
    ['target_network.network', 'nowhere'],
    ['restatement.metric', 'joy'],
    ['report.period', 'x'.repeat(500)],
    ['report.against', 'x'.repeat(500)],
    ['edition.content', '{}'],
    ['edition.content', 'null'],
    ['post_picture.type', 'text/html'],
    ['review_reading.mood', 'hungry'],
    ['review_reading.subjects', 'service,astrology'],
    ['review_reply.state', 'lost'],
    ['link_visit.kind', 'ghost'],
    ['link_visit.hour', 24],
    ['link_visit_part.facet', 'shoe size'],
    ['post.format', '<b>photo</b>'],
    ['review.language', 'not a language'],
  ])('%s is not %j', (name, value) => expect(refuse(name, value)).toThrow())

  it('goes together: days and quartiles in their order', () => {
    const note = RECORDS.find(({ id }) => id === 'note')!
    expect(() => refuseOtherRecord(note, { from_day: '2026-10-02', to_day: '2026-10-01' })).toThrow('before it begins')
    const figure = RECORDS.find(({ id }) => id === 'industry_figure')!
    expect(() => refuseOtherRecord(figure, { lower_value: 0.3, middle_value: 0.2 })).toThrow('order')
    expect(() => refuseOtherRecord(figure, { from_size: 100, below_size: 100 })).toThrow('before it begins')
  })
})
