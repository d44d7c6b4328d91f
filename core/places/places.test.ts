import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { localBusiness, placesFromJsonLd } from './localBusiness'
import { EMPTY_PLACE, fieldChanges, type PlaceRecord } from './place'
import { placesFromGeoJson, placesFromTable, placesGeoJson, placesTable } from './placesGeoJson'
import { differsOn, editableHours, hoursText, openOn, readHours } from './openingHours'

const FROM = '2026-10-28'
const times = fc.constantFrom('off', '09:00-17:00', '10:00-12:00,13:00-18:00', '22:00-02:00', '00:00-24:00')
const editable = fc.record({
  week: fc.array(times, { minLength: 7, maxLength: 7 }),
  exceptions: fc.array(
    fc.record({
      from: fc.constantFrom('2026-12-24', '2026-12-31'),
      to: fc.constantFrom('2026-12-31', '2027-01-02'),
      times,
    }),
    { maxLength: 2 },
  ),
})

describe('opening hours', () => {
  it('are read by their rules, the last of which holds', () => {
    const hours = readHours('Mo-Fr 09:00-17:00; Sa,Su 10:00-16:00; Dec 25-26 off; 2026 Nov 02 12:00-14:00')
    expect(openOn(hours, '2026-10-28')).toEqual([{ from: 540, to: 1020 }])
    expect(openOn(hours, '2026-10-31')).toEqual([{ from: 600, to: 960 }])
    expect(openOn(hours, '2026-12-25')).toEqual([])
    expect(openOn(hours, '2026-11-02')).toEqual([{ from: 720, to: 840 }])
    expect(openOn(hours, '2027-11-02')).toEqual([{ from: 540, to: 1020 }])
  })

  it('go over the end of a year and past midnight', () => {
    const hours = readHours('Nov-Feb Fr-Su 22:00–02:00')
    expect(openOn(hours, '2027-01-01')).toEqual([{ from: 1320, to: 1560 }])
    expect(openOn(hours, '2026-10-30')).toEqual([])
    expect(
      differsOn(
        readHours('Mo-Su 22:00-26:00'.replace('26:00', '02:00')),
        readHours('22:00-24:00; Mo-Su 00:00-02:00,22:00-24:00'),
        FROM,
      ),
    ).toBeUndefined()
  })

  it.each([
    ['PH off', /holidays/],
    ['Mo-Fr', /does not say when/],
    ['Mo-Fr 9-17', /is no time/],
    ['Feb 30 off', /no day 30/],
    ['2026 Dec 24-2025 Jan 02 off', /before it begins/],
    ['sometimes', /is no time/],
    ['Mo 09:00-17:00; 10:00-12:00', /on which days/],
    ['Mo 25:00-26:00', /no time of a day/],
    ['Mo 09:00-09:00', /no time of a day/],
  ])('“%s” is refused with its reason', (text, reason) => {
    expect(() => readHours(text)).toThrow(reason)
  })

  it('mean the same however they are written', () => {
    expect(differsOn(readHours('Mo-Su 10:00-12:00'), readHours('10:00-11:00,11:00-12:00'), FROM)).toBeUndefined()
    expect(differsOn(readHours('Mo-Fr 09:00-17:00'), readHours('Mo-Th 09:00-17:00'), FROM)).toBe('2026-10-30')
  })

  it('are the same as themselves, both ways round and over a third', () => {
    fc.assert(
      fc.property(editable, editable, editable, (a, b, c) => {
        const [one, two, three] = [a, b, c].map((each) => readHours(hoursText(each))) as [never, never, never]
        expect(differsOn(one, one, FROM)).toBeUndefined()
        expect(differsOn(one, two, FROM)).toBe(differsOn(two, one, FROM))
        if (!differsOn(one, two, FROM) && !differsOn(two, three, FROM))
          expect(differsOn(one, three, FROM)).toBeUndefined()
      }),
      { numRuns: 40 },
    )
  })

  it('come through the plain editor as they were', () => {
    fc.assert(
      fc.property(editable, (given) => {
        const text = hoursText(given)
        expect(hoursText(editableHours(readHours(text))!)).toBe(text)
      }),
    )
    expect(hoursText({ week: ['9:00-17:00', '', '', '', '', '', ''], exceptions: [] })).toBe(
      'Mo 09:00-17:00; Tu-Su off',
    )
    expect(editableHours(readHours('Apr-Oct 09:00-17:00'))).toBeUndefined()
    expect(editableHours(readHours('09:00-17:00; Dec 25 off'))).toBeUndefined()
  })
})

const PLACE: PlaceRecord = {
  name: 'Mossgate tea rooms',
  categories: ['café', 'tea room'],
  street: '1 Fern Walk',
  town: 'Marrenhythe',
  postcode: 'FI2 4TR',
  country: 'GB',
  lat: 49.6622,
  lon: -8.0211,
  phone: '+441632960014',
  web: 'https://www.mossgate.example/tea',
  hours: 'Mo-Fr 09:00-17:00; Sa-Su 10:00-12:00,13:00-24:00; 2026 Dec 25 off',
  attributes: ['step-free', 'dogs welcome'],
  description: 'Tea, “scones”, and a view.',
  pictures: ['https://www.mossgate.example/tea.jpg', 'https://www.mossgate.example/scones.png?wide=1,2'],
}

describe('a place goes out and comes back as it was', () => {
  it('as JSON-LD, alone and in a graph', () => {
    const [back] = placesFromJsonLd(JSON.parse(JSON.stringify(localBusiness(PLACE))))
    expect(back).toEqual(PLACE)
    expect(placesFromJsonLd({ '@graph': [localBusiness(PLACE), { '@type': 'Thing' }] })).toEqual([PLACE])
    const image = { '@type': 'ImageObject', 'url': 'https://www.mossgate.example/tea.jpg' }
    expect(placesFromJsonLd({ ...localBusiness(PLACE), image })[0]!.pictures).toEqual([image.url])
    expect(() => placesFromJsonLd({ a: 1 })).toThrow(/no LocalBusiness/)
  })

  it('as GeoJSON, also without coordinates', () => {
    const nowhere = { ...PLACE, lat: null, lon: null }
    expect(placesFromGeoJson(JSON.parse(JSON.stringify(placesGeoJson([PLACE, nowhere]))))).toEqual([PLACE, nowhere])
    expect(() => placesFromGeoJson([])).toThrow(/no GeoJSON/)
  })

  it('as a table, in any order of its columns', () => {
    const { headings, rows } = placesTable([PLACE])
    expect(placesFromTable([...headings].reverse(), [[...rows[0]!].reverse()])).toEqual([PLACE])
    expect(placesFromTable(['Name', 'telephone'], [['A', '1']])).toEqual([{ name: 'A', phone: '1' }])
    expect(() => placesFromTable(['name', 'colour'], [])).toThrow(/“colour” is no field/)
    expect(() => placesFromTable(['town'], [])).toThrow(/no column “name”/)
  })

  it('says in which fields it differs', () => {
    expect(fieldChanges(PLACE, { ...PLACE, phone: '+441632960041', categories: ['café'] })).toEqual([
      { field: 'categories', from: 'café; tea room', to: 'café' },
      { field: 'phone', from: '+441632960014', to: '+441632960041' },
    ])
    expect(fieldChanges(EMPTY_PLACE, { ...EMPTY_PLACE })).toEqual([])
  })
})
