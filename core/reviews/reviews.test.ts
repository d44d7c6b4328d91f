import { describe, expect, it } from 'vitest'
import { answering } from './answering'
import { ratingSummary, shrunkMean } from './ratings'
import { reviewAbout } from './reviewAbout'

const HOUR = 3_600_000
const review = (written: number, answered?: number) => ({
  writtenAt: written * HOUR,
  ...(answered !== undefined && { answeredAt: answered * HOUR }),
})

describe('ratings', () => {
  it('have a mean and a spread', () => {
    // by hand: 1, 4, 4, 5, 5, 5 → 24/6 = 4; squares 9 + 0 + 0 + 1 + 1 + 1 = 12; √(12/5)
    expect(ratingSummary([1, 0, 0, 2, 3])).toEqual({ count: 6, mean: 4, spread: Math.sqrt(12 / 5) })
    expect(ratingSummary([0, 0, 0, 0, 1])).toEqual({ count: 1, mean: 5 })
    expect(ratingSummary([0, 0, 0, 0, 0])).toEqual({ count: 0 })
  })

  it('of few reviews lie near the mean of all, of many near their own', () => {
    // by hand: (5 × 2 + 4 × 10) / 12 = 50/12
    expect(shrunkMean({ mean: 5, count: 2 }, 4)).toBeCloseTo(50 / 12, 12)
    expect(shrunkMean({ mean: 5, count: 990 }, 4)).toBeCloseTo(4.99, 2)
  })
})

describe('answers to reviews', () => {
  it('in time are counted of those whose time is over', () => {
    const now = 200 * HOUR
    const said = answering(
      // in time; too late; never; two that still have time, one of which is answered already
      [review(0, 48), review(10, 60), review(20), review(160, 161), review(170)],
      48,
      now,
    )
    expect(said.inTime).toMatchObject({ answered: 1, of: 3 })
    expect(said).toMatchObject({ reviews: 5, waiting: 2 })
  })

  it('take as long as is known: those that wait count', () => {
    // by hand: answers after 1, 48 and 50 hours, waits of 180 and 30: 4/5 after 1, then of three that are left 2/3 → 0.533, 1/2 → 0.267
    const said = answering([review(0, 48), review(10, 60), review(20), review(160, 161), review(170)], 48, 200 * HOUR)
    expect(said.medianHours).toBe(50)
    expect(answering([review(0, 1), review(0), review(0)], 48, 200 * HOUR).medianHours).toBeUndefined()
  })

  it('that come later are not known yet', () => {
    expect(answering([review(0, 300)], 48, 200 * HOUR)).toMatchObject({ waiting: 1, inTime: { answered: 0, of: 1 } })
    expect(answering([review(300)], 48, 200 * HOUR)).toEqual({ reviews: 0, waiting: 0 })
  })
})

describe('what a review is about', () => {
  it.each([
    ['The tea was not good, but the crew was friendly.', 'en', ['service', 'food'], 'mixed'],
    ['Wunderbarer Garten, freundliches Personal!', 'de-AT', ['service', 'offer'], 'good'],
    ['Le bateau était en retard et le personnel impoli.', 'fr', ['service', 'punctuality', 'offer'], 'bad'],
    ['Le thé n’était pas bon.', 'fr', ['food'], 'bad'],
    ['We came on Sunday with the children.', 'en', [], 'plain'],
    ['Never bad.', 'en', [], 'good'],
    ['Great, another hour in the queue.', 'en', ['waiting'], 'good'],
  ])('“%s”', (text, language, subjects, mood) => {
    expect(reviewAbout(text, language)).toEqual({ subjects, mood })
  })

  it.each([
    ['I couldn’t recommend it.', 'bad'],
    ["Couldn't recommend this place to anybody.", 'bad'],
    ['The soup doesn’t taste good.', 'bad'],
    ['It doesnt taste very good', 'bad'],
    ['Nothing was dirty.', 'good'],
    ['Without a friendly word.', 'bad'],
    ['Neither clean nor friendly.', 'bad'],
    ['Not only good, but cheap.', 'good'],
    ['We could not find the door. Lovely garden.', 'good'],
    ['No problem, friendly crew', 'good'],
    ['Can’t recommend it highly enough!', 'good'],
    ['The rooms weren’t really all that clean.', 'bad'],
  ])('reads contracted and spread negation: “%s” sounds %s', (text, mood) =>
    expect(reviewAbout(text, 'en')!.mood).toBe(mood),
  )

  it.each([
    ['Nichts war schmutzig.', 'de', 'good'],
    ['Weder freundlich noch sauber.', 'de', 'bad'],
    ['Rien n’était sale.', 'fr', 'good'],
    ['Sans un mot aimable.', 'fr', 'bad'],
  ])('“%s” (%s) sounds %s', (text, language, mood) => expect(reviewAbout(text, language)!.mood).toBe(mood))

  it('in a language whose words are not known is not guessed', () => {
    expect(reviewAbout('Muy bueno', 'es')).toBeUndefined()
  })
})
