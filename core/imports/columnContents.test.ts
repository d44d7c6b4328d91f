import { describe, expect, it } from 'vitest'
import { columnContents, guessByContents } from './columnContents'

const profiles = [{ profile: 7, remoteId: '10220431877650213', handle: '@mossgate', name: 'Mossgate' }]

describe('what columns hold', () => {
  const sample = [
    ['10220431877650213', 'MOSSGATE', '20/10/2026', '1,204', 'fine', ''],
    ['10220431877650213', '@mossgate', '21/10/2026', '', 'rain', ''],
    ['10220431877650213', 'Mossgate', '22/10/2026', '988', '3', ' '],
  ]
  const contents = columnContents(6, sample, 'point', profiles)
  it('is seen from the cells, whatever the headings say', () =>
    expect(contents).toEqual(['ids', 'names', 'dates', 'counts', 'text', 'nothing']))

  it('adds the day and the profile to a guess, and never which figure a count is', () => {
    expect(guessByContents(['', '', '', '', '', ''], contents)).toEqual(['profile_id', '', 'day', '', '', ''])
    expect(guessByContents(['', '', 'impressions', '', '', ''], contents)).toEqual([
      'profile_id',
      '',
      'impressions',
      '',
      '',
      '',
    ])
    expect(guessByContents(['', ''], ['names', 'dates'])).toEqual(['handle', 'day'])
    expect(guessByContents(['day', ''], ['text', 'dates'])).toEqual(['day', ''])
  })
})
