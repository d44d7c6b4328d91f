import { describe, expect, it } from 'vitest'
import { changedRecord, changedText, isListField, SHARED_FIELDS } from './manyChanges'
import { EMPTY_PLACE } from './place'

const pier = { ...EMPTY_PLACE, name: 'Pier', categories: ['Pier', 'café'], web: 'https://a.example' }

describe('one change of several places', () => {
  it('adds to a list what is not in it, once and last, whatever its capitals', () => {
    expect(changedText(pier, { field: 'categories', way: 'add', value: 'CAFÉ; shop; Shop ; pier' })).toBe(
      'Pier; café; shop',
    )
    expect(changedText(pier, { field: 'attributes', way: 'add', value: '' })).toBe('')
  })
  it('takes from a list what it names, and leaves the others in their order', () => {
    expect(changedText(pier, { field: 'categories', way: 'remove', value: 'PIER; nothing' })).toBe('café')
  })
  it('sets lists and texts, empty ones too', () => {
    expect(changedRecord(pier, { field: 'categories', way: 'set', value: ' shop;; kiosk ' }).categories).toEqual([
      'shop',
      'kiosk',
    ])
    expect(changedRecord(pier, { field: 'web', way: 'set', value: '' }).web).toBe('')
    expect(changedRecord(pier, { field: 'web', way: 'set', value: ' https://b.example ' })).toEqual({
      ...pier,
      web: 'https://b.example',
    })
  })
  it('takes a text away only where it is that text, and adds nothing to a text', () => {
    expect(changedText(pier, { field: 'web', way: 'remove', value: 'https://b.example' })).toBe('https://a.example')
    expect(changedText(pier, { field: 'web', way: 'remove', value: 'https://a.example' })).toBe('')
    expect(changedText(pier, { field: 'web', way: 'add', value: 'https://b.example' })).toBe('https://a.example')
  })
  it('is of no name and of no point, and the second time changes nothing more', () => {
    expect(SHARED_FIELDS.map(({ field }) => field)).not.toContain('name')
    for (const { field } of SHARED_FIELDS)
      for (const way of ['set', 'add', 'remove'] as const) {
        const change = { field: field as 'web', way, value: 'café' }
        const once = changedRecord(pier, change)
        expect(changedRecord(once, change)).toEqual(once)
        expect(Array.isArray(once[field as 'web'])).toBe(isListField(field))
      }
  })
})
