import { addDays, dayNumber, daysBetween, type Day } from '../core/days/day'
import { PLACES } from './places'
import { unit } from './random'
import { RIVAL_LISTINGS, type ReviewedListing } from './rivalListings'

/** A review as Waymark gives it. */
export interface DemoReview {
  remote_id: string
  written_at: string
  day: Day
  stars: number
  author: string
  language: string
  text: string
  answered_at: string | null
  answer: string | null
}

const GARDEN_TEXTS: Record<string, Record<'good' | 'mixed' | 'bad', readonly string[]>> = {
  en: {
    good: [
      'Lovely garden, we stayed all afternoon.',
      'The ferns are beautiful and the staff could not be more helpful.',
      'Delicious cake and a wonderful view.',
      'Spotless toilets and friendly people at the gate.',
      'Good value, and the path is easy with a pram.',
      'The best selection of plants on the islands.',
    ],
    mixed: [
      'Beautiful glasshouse, but we had to wait far too long for tea.',
      'Good coffee. The parking is poor.',
      'Friendly crew, expensive cake.',
      'The garden is lovely, the signposts are not.',
    ],
    bad: [
      'An hour in the queue, and then the scones were cold.',
      'Rude at the till, and overpriced.',
      'Closed although the page said open. A waste of a morning.',
      'Dirty tables and slow service.',
    ],
  },
  de: {
    good: [
      'Wunderschöner Garten, freundliches Personal.',
      'Der Kuchen ist lecker, die Aussicht toll.',
      'Sehr empfehlenswert, auch mit Kinderwagen.',
    ],
    mixed: ['Schöner Garten, aber der Tee war kalt.', 'Gute Auswahl, leider teuer.'],
    bad: ['Eine Stunde gewartet, dann war die Suppe kalt.', 'Unfreundlich und teuer.'],
  },
  fr: {
    good: ['Un jardin magnifique et un personnel aimable.', 'De très bons gâteaux, une belle vue.'],
    mixed: ['Belle serre, mais trop d’attente.', 'Bon café, prix cher.'],
    bad: ['Le thé était froid et le service lent.', 'Fermé sans rien dire. Très déçus.'],
  },
}
const FERRY_TEXTS: typeof GARDEN_TEXTS = {
  en: {
    good: [
      'Punctual, and the crew was friendly.',
      'A lovely crossing with a beautiful view.',
      'Quick boarding, helpful staff, clean boat.',
      'Step-free all the way to the ferry. Perfect with a wheelchair.',
    ],
    mixed: ['Friendly crew, but half an hour late.', 'Good boat. The waiting room is cold.'],
    bad: [
      'Cancelled, and nobody told us.',
      'Late again. The timetable is worth nothing.',
      'Rude answer when we asked about the delay.',
    ],
  },
  de: {
    good: ['Pünktlich und freundlich.', 'Schöne Überfahrt, sauberes Schiff.'],
    mixed: ['Freundliche Besatzung, aber verspätet.'],
    bad: ['Die Fähre ist ausgefallen, niemand sagte etwas.', 'Unpünktlich und teuer.'],
  },
  fr: {
    good: ['Équipage aimable et bateau propre.', 'Belle traversée, très ponctuel.'],
    mixed: ['Bon accueil, mais en retard.'],
    bad: ['Bateau annulé, aucune réponse.', 'Toujours en retard.'],
  },
}
/** Said with good words, and meant otherwise. */
const IRONY = [
  'Wonderful: ninety lovely minutes in the queue. We enjoyed every one of them.',
  'Excellent idea to shut the gate at noon. Perfect timing.',
  'Great to hear that the next one is quick. So were the last three.',
]
const AUTHORS = [
  'Wenna',
  'Bram',
  'Isolde',
  'Petroc',
  'Mael',
  'Oona',
  'Corin',
  'Tegen',
  'Ruan',
  'Sil',
  'Anselm',
  'Lowri',
]
const ANSWERS: Record<string, readonly string[]> = {
  en: [
    'Thank you for coming, and for writing. We hope to see you again.',
    'We are sorry about that. We have told the team, and would like to make up for it.',
  ],
  de: ['Vielen Dank für Ihren Besuch.', 'Das tut uns leid. Wir haben es weitergegeben.'],
  fr: ['Merci de votre visite.', 'Nous sommes désolés. Nous en avons parlé à l’équipe.'],
}

/** A time in which many write, and answers come late: in days before the end of the world's time. */
const SPIKES: Readonly<Record<string, { from: number; to: number; times: number; good: number; hours: number }>> = {
  'mossgate-tea-rooms': { from: 13, to: 9, times: 5, good: 0.2, hours: 130 },
  'kittiwake-north-pier': { from: 24, to: 19, times: 6, good: 0.1, hours: 150 },
}

const instantOf = (at: number): string => `${new Date(at).toISOString().slice(0, 19)}Z`

/** The reviews that were written of a listing on a day, each with the answer that it gets, whenever that is. */
function writtenOn(place: ReviewedListing, day: Day, anchor: Day): DemoReview[] {
  const before = daysBetween(day, anchor)
  const spike = SPIKES[place.handle]
  const isSpike = spike !== undefined && before <= spike.from && before >= spike.to
  const mean = place.reviews.aDay * (isSpike ? spike.times : 1)
  const key = [place.remoteId, day, 'review'] as const
  const count = Math.floor(mean) + (unit(...key, 'count') < mean % 1 ? 1 : 0)
  return Array.from({ length: count }, (_, index) => {
    const draw = (name: string) => unit(...key, index, name)
    const isGood = draw('good') < (isSpike ? spike.good : place.reviews.good)
    const isIrony = !isGood && draw('irony') < 0.09
    const stars = isGood ? (draw('stars') < 0.66 ? 5 : 4) : isIrony ? 1 : 1 + Math.floor(draw('stars') * 3)
    const language = isIrony || draw('language') < 0.78 ? 'en' : draw('other') < 0.6 ? 'de' : 'fr'
    const texts = (place.client === 'kittiwake-line' ? FERRY_TEXTS : GARDEN_TEXTS)[language]!
    const mood = stars >= 4 ? 'good' : stars === 3 ? 'mixed' : 'bad'
    const text = isIrony
      ? IRONY[Math.floor(draw('text') * IRONY.length)]!
      : draw('silent') < 0.12
        ? ''
        : texts[mood][Math.floor(draw('text') * texts[mood].length)]!
    const writtenAt = Date.parse(`${day}T08:00:00Z`) + Math.floor(draw('minute') * 13 * 3_600_000)
    const hours = (isSpike ? spike.hours : place.reviews.hours) * Math.exp((draw('delay') - 0.5) * 2.4)
    const isAnswered = draw('answered') < (isSpike ? 0.9 : place.reviews.answered)
    const answer = ANSWERS[language]![stars >= 4 ? 0 : 1]!
    return {
      remote_id: `${place.remoteId.slice(-6)}${String(dayNumber(day)).padStart(6, '0')}${index}`,
      written_at: instantOf(writtenAt),
      day,
      stars,
      author: `${AUTHORS[Math.floor(draw('author') * AUTHORS.length)]} ${String.fromCodePoint(65 + Math.floor(draw('initial') * 26))}.`,
      language,
      text,
      answered_at: isAnswered ? instantOf(writtenAt + Math.round(hours * 3_600_000)) : null,
      answer: isAnswered ? answer : null,
    }
  })
}

/** A review as it stands at an instant: without an answer that comes later. */
const asOf = (review: DemoReview, now: number): DemoReview =>
  review.answered_at !== null && Date.parse(review.answered_at) > now
    ? { ...review, answered_at: null, answer: null }
    : review

const listingOf = (remoteId: string): ReviewedListing | undefined =>
  [...PLACES, ...RIVAL_LISTINGS].find((one) => one.remoteId === remoteId)

/** How long after it was written a review can still be answered, in days. */
const ANSWERED_WITHIN = 30

/**
 * The reviews of a listing that changed on a day, as they stand by then: those that were written on it, and those that
 * were answered on it.
 *
 * @param now  in milliseconds since 1970 UTC: what lies after it is not there yet
 */
export function reviewsOn(remoteId: string, day: Day, anchor: Day, now: number): DemoReview[] {
  const place = listingOf(remoteId)
  if (!place) return []
  const answered = Array.from({ length: ANSWERED_WITHIN }, (_, back) => addDays(day, -back - 1)).flatMap((written) =>
    writtenOn(place, written, anchor).filter((review) => review.answered_at?.startsWith(day)),
  )
  return [...writtenOn(place, day, anchor), ...answered]
    .filter(({ written_at: at }) => Date.parse(at) <= now)
    .map((review) => asOf(review, now))
}

/** Every review of a listing that was written in some days, as it stands at an instant. */
export const reviewsIn = (remoteId: string, days: readonly Day[], anchor: Day, now: number): DemoReview[] => {
  const place = listingOf(remoteId)
  return place
    ? days
        .flatMap((day) => writtenOn(place, day, anchor))
        .filter(({ written_at: at }) => Date.parse(at) <= now)
        .map((review) => asOf(review, now))
    : []
}
