import { describe, expect, it } from 'vitest'
import { unit } from '../../demo/random'
import { EMPTY_PLACE, type PlaceRecord } from '../places/place'
import { entryComparer, sharesOf } from './compareEntry'
import { correctionSeen } from './correctionStates'
import { DIRECTORIES, directoryById } from './directoryList'
import { ENTRY_FIELDS, entryFieldById, entryText, withText } from './entryFields'
import { jaroWinkler } from './jaroWinkler'
import { likeness, matchEntries } from './matchEntries'

const TEA: PlaceRecord = {
  name: 'Mossgate tea rooms',
  categories: ['tea room', 'café'],
  street: '3 Fern Walk',
  town: 'Marrenhythe',
  postcode: 'FI2 4TA',
  country: 'GB',
  lat: 49.6641,
  lon: -8.0287,
  phone: '+441632960014',
  web: 'https://www.mossgate.example/tea',
  hours: 'Mo off; Tu-Fr 10:00-16:30; Sa-Su 10:00-17:30',
  attributes: ['step-free'],
  pictures: [],
  description: 'Tea, scones and soup.',
}
const ALL = ENTRY_FIELDS.map(({ id }) => id)
const comparer = entryComparer('2026-10-28')
const verdictOf = (field: (typeof ALL)[number], entry: Partial<PlaceRecord>, ours: Partial<PlaceRecord> = {}) =>
  comparer.compare({ ...TEA, ...ours }, { ...TEA, ...entry }, ALL).fields.find((each) => each.field === field)!

describe('likeness of names', () => {
  it('is 1 for the same, 0 for nothing in common, and the same from both sides', () => {
    expect(jaroWinkler('', '')).toBe(1)
    expect(jaroWinkler('', 'a')).toBe(0)
    expect(jaroWinkler('tea', 'tea')).toBe(1)
    expect(jaroWinkler('abc', 'xyz')).toBe(0)
    for (let round = 0; round < 300; round++) {
      const word = (key: string) =>
        Array.from({ length: Math.floor(unit(key, round) * 12) }, (_, at) =>
          String.fromCharCode(97 + Math.floor(unit(key, round, at) * 5)),
        ).join('')
      const [a, b] = [word('a'), word('b')]
      expect(jaroWinkler(a, b)).toBeCloseTo(jaroWinkler(b, a), 12)
      expect(jaroWinkler(a, b)).toBeGreaterThanOrEqual(0)
      expect(jaroWinkler(a, b)).toBeLessThanOrEqual(1)
    }
  })
})

describe('an entry beside the master record', () => {
  it.each([
    ['phone', { phone: '01632 960014' }],
    ['phone', { phone: '01632 960014', country: '' }],
    ['phone', { phone: '+44 (0)1632 960 014' }],
    ['hours', { hours: 'Tu,We,Th,Fr 10:00-12:00,12:00-16:30; Mo off; Su,Sa 10:00-17:30' }],
    ['street', { street: '3, Fern Wk.' }],
    ['postcode', { postcode: 'fi24ta' }],
    ['web', { web: 'http://MOSSGATE.example/tea/' }],
    ['categories', { categories: ['Cafe', 'Tea room'] }],
    ['name', { name: 'MOSSGATE TEA ROOMS' }],
    ['name', { name: 'Mossgate Tea Room' }],
    ['position', { lat: 49.6648, lon: -8.0287 }],
    ['description', { description: 'Tea, scones & soup' }],
  ] as const)('means the same by its %s, however it is written: %j', (field, entry) => {
    const isAlike = field === 'description' ? 'differs' : 'same'
    expect(verdictOf(field, entry as Partial<PlaceRecord>).is).toBe(isAlike)
  })

  it.each([
    ['phone', { phone: '+441632960015' }, ''],
    ['hours', { hours: 'Mo off; Tu-Fr 10:00-16:00; Sa-Su 10:00-17:30' }, 'other hours first on 28 Oct 2026'],
    ['hours', { hours: 'by arrangement' }, 'they cannot be read'],
    ['street', { street: '13 Fern Walk' }, ''],
    ['street', { street: 'St Fern Walk' }, ''],
    ['web', { web: 'https://www.mossgate.example/shop' }, ''],
    ['categories', { categories: ['café'] }, ''],
    ['name', { name: 'Harbour Bakery' }, 'other words or numbers'],
    ['name', { name: 'Mossgate Tea Rooms 2' }, 'other words or numbers'],
    ['position', { lat: 49.6651, lon: -8.0287 }, '111 m apart'],
  ] as const)('differs by its %s where it means something else: %j', (field, entry, how) => {
    const found = verdictOf(field, entry as Partial<PlaceRecord>)
    expect(found.is).toBe('differs')
    expect(found.how).toBe(how)
  })

  it('says what is missing, what only the entry says, and what neither does', () => {
    expect(verdictOf('phone', { phone: '' }).is).toBe('missing')
    expect(verdictOf('phone', {}, { phone: '' }).is).toBe('extra')
    expect(verdictOf('phone', { phone: '' }, { phone: '' }).is).toBe('silent')
    expect(verdictOf('position', { lat: null, lon: null }).is).toBe('missing')
  })

  it('agrees by the weights of what the record says', () => {
    // weights: name, telephone and hours 3; street, position, web and categories 2; the other five 1: 22
    expect(comparer.compare(TEA, TEA, ALL)).toMatchObject({ completeness: 1, agreement: 1 })
    const without = comparer.compare(TEA, { ...TEA, phone: '', hours: 'Mo-Su 10:00-16:00' }, ALL)
    expect(without.completeness).toBeCloseTo(19 / 22, 12)
    expect(without.agreement).toBeCloseTo(16 / 22, 12)
    // what the record does not say cannot be wrong
    const unsaid = comparer.compare({ ...TEA, phone: '' }, TEA, ALL)
    expect(unsaid).toMatchObject({ completeness: 1, agreement: 1 })
    // what a directory does not carry is left out
    expect(comparer.compare(TEA, { ...TEA, description: '' }, ['name']).fields).toHaveLength(1)
    expect(comparer.compare(EMPTY_PLACE, TEA, ALL)).not.toHaveProperty('agreement')
    expect(sharesOf([])).toEqual({})
  })

  it('is in agreement only where all fields are, and never more than it is complete', () => {
    const other: PlaceRecord = {
      ...EMPTY_PLACE,
      name: 'Quay kiosk',
      categories: ['kiosk'],
      street: '1 Quay',
      town: 'Skarle',
      postcode: 'FI9 1AA',
      country: 'FR',
      lat: 49.4,
      lon: -8.1,
      phone: '+441632960099',
      web: 'https://kiosk.example',
      hours: 'Mo-Su 08:00-09:00',
      attributes: ['cash'],
      description: 'Coffee.',
    }
    for (let round = 0; round < 400; round++) {
      const entry = ALL.reduce((record, field) => {
        const draw = unit('field', round, field)
        return withText(record, field, draw < 0.75 ? entryText(TEA, field) : draw < 0.9 ? entryText(other, field) : '')
      }, EMPTY_PLACE)
      const { fields, agreement, completeness } = comparer.compare(TEA, entry, ALL)
      expect(agreement).toBeLessThanOrEqual(completeness!)
      expect(agreement === 1).toBe(fields.every(({ is }) => is === 'same'))
    }
  })

  it('has changed only where it means something else than before', () => {
    expect(comparer.changes(TEA, { ...TEA, phone: '01632 960014', name: 'Mossgate Tea Rooms' }, ALL)).toEqual([])
    expect(comparer.changes(TEA, { ...TEA, phone: '+44 1632 960199', web: '' }, ALL)).toMatchObject([
      { field: 'phone', ours: '+441632960014', theirs: '+44 1632 960199' },
      { field: 'web', theirs: '' },
    ])
    expect(comparer.changes(TEA, { ...TEA, web: '' }, ['phone'])).toEqual([])
    expect(comparer.isSame('phone', TEA, { ...TEA, phone: '01632 960014' })).toBe(true)
  })
})

describe('a field as text', () => {
  it('comes back as it was', () => {
    for (const { id } of ENTRY_FIELDS)
      expect(entryText(withText(EMPTY_PLACE, id, entryText(TEA, id)), id)).toBe(entryText(TEA, id))
    expect(withText(TEA, 'position', '')).toMatchObject({ lat: null, lon: null })
    expect(() => withText(TEA, 'position', 'here')).toThrow(RangeError)
    expect(() => entryFieldById('colour')).toThrow(RangeError)
  })
})

describe('whose entry it is', () => {
  const GATE = { ...TEA, name: 'Mossgate, main gate', phone: '+441632960010', lat: 49.6655, lon: -8.0312 }
  it('is told by the telephone number within two kilometres, or by a like name nearby', () => {
    expect(likeness(TEA, { ...EMPTY_PLACE, name: 'Something', phone: '01632 960014', country: 'GB' })).toBeGreaterThan(
      1,
    )
    expect(likeness(TEA, { ...TEA, name: 'Mossgate Tea Room', phone: '' })).toBeGreaterThan(0.9)
    expect(likeness(TEA, { ...TEA, name: 'Lamp Room', phone: '' })).toBe(0)
    // the same name and number on another island
    expect(likeness(TEA, { ...TEA, lat: 49.438, lon: -8.048 })).toBe(0)
    // without a position the postcode says where it is
    expect(likeness(TEA, { ...TEA, phone: '', lat: null, lon: null })).toBe(1)
    expect(likeness(TEA, { ...TEA, phone: '', lat: null, lon: null, postcode: 'FI9 9ZZ' })).toBe(0)
  })

  it('is the place that it is most like', () => {
    const entries = [
      { ...TEA, phone: '' },
      { ...GATE, phone: '' },
      { ...EMPTY_PLACE, name: 'Lamp Room', lat: 49.6641, lon: -8.0287 },
    ]
    expect(matchEntries([GATE, TEA], entries)).toEqual([1, 0, undefined])
  })
})

describe('a correction', () => {
  it('is taken once it shows, and changed back once it does no more', () => {
    expect(correctionSeen('sent', false, true)).toBe('taken')
    expect(correctionSeen('sent', false, false)).toBe('sent')
    expect(correctionSeen('taken', true, false)).toBe('changed back')
    expect(correctionSeen('taken', true, true)).toBe('taken')
    expect(correctionSeen('refused', true, false)).toBe('refused')
    expect(correctionSeen('changed back', false, true)).toBe('taken')
    expect(correctionSeen('changed back', false, false)).toBe('changed back')
    // a directory that says that it has taken it, and shows it with the next look only
    expect(correctionSeen('taken', false, false)).toBe('taken')
  })
})

it('knows its directories', () => {
  expect(new Set(DIRECTORIES.map(({ id }) => id)).size).toBe(DIRECTORIES.length)
  expect(directoryById('townbook').name).toBe('Townbook')
  expect(() => directoryById('nowhere')).toThrow(RangeError)
})
