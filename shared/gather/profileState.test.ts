import { describe, expect, it } from 'vitest'
import { stateOf } from './profileState'

const base = {
  isActive: true,
  isRival: false,
  consent: 'given' as const,
  trouble: null,
  syncedTo: '2026-10-28',
  job: null,
}

describe('the state of a profile', () => {
  it('is said in a sentence, with what happens next', () => {
    expect(stateOf(base)).toBe('Figures up to 28 Oct 2026')
    expect(stateOf({ ...base, isActive: false })).toContain('Its past is kept')
    expect(stateOf({ ...base, isRival: true, consent: 'none' })).toBe(
      'Figures up to 28 Oct 2026, as far as anybody can see them',
    )
    expect(stateOf({ ...base, consent: 'none', syncedTo: null })).toBe(
      'Nothing fetched yet, only what anybody can see: its owner was not asked for consent yet',
    )
    expect(stateOf({ ...base, job: { state: 'running', message: 'Figures up to 2026-09-30' } })).toBe(
      'Fetching: Figures up to 2026-09-30',
    )
    expect(stateOf({ ...base, job: { state: 'queued', message: '' } })).toBe('Waiting for its turn')
  })
  it('says how soon something is lost while there is trouble', () => {
    expect(
      stateOf({ ...base, trouble: 'Murmur does not answer. It is tried again by itself.', forgetsInDays: 1 }),
    ).toBe(
      'Murmur does not answer. It is tried again by itself. In 1 day the network forgets a day that is not here yet.',
    )
    expect(
      stateOf({
        ...base,
        forgetsInDays: 30,
        trouble: 'Cork answered 503.',
        job: { state: 'queued', message: 'Cork answered 503.' },
      }),
    ).toContain('In 30 days')
  })
})
