import { THE_OWNER } from '../core/datasets/datasets'
import { addDays, dayNumber, type Day } from '../core/days/day'
import { PLACES, type DemoPlace } from './places'
import { unit } from './random'

/** A question about a listing as Waymark gives it. */
export interface DemoQuestion {
  remote_id: string
  asked_at: string
  day: Day
  author: string
  text: string
  wanted: number
  answered_at: string | null
  answer: string | null
  answered_by: string | null
}

const GARDEN = [
  ['Can we bring our dog?', 'Yes, on a lead, and not into the glasshouse.'],
  ['Is there a path for a wheelchair?', 'The path from the gate to the fern house is step-free.'],
  ['Is the tea room open on Mondays?', 'It is closed on Mondays.'],
  ['Do you sell vouchers?', 'Yes, at the gate and in the plant shop.'],
  ['Where can we park a camper?', 'In the upper car park, to the left of the gate.'],
] as const
const FERRY = [
  ['Can I take a bicycle on board?', 'Yes, as long as there is room on deck.'],
  ['Is there a waiting room?', 'Yes, it opens half an hour before the first sailing.'],
  ['How early should we be there?', 'Ten minutes before you sail.'],
  ['Do dogs pay?', 'No, they sail for nothing.'],
] as const
const PEOPLE = ['Elowen R.', 'Piran T.', 'Kerra M.', 'Jago L.', 'Tamsin B.', 'Denzel K.'] as const

/** How many are asked of a place in a day, for each view of its listing. */
const ASKED_PER_VIEW = 1 / 9000
/** How far back a question can still be answered, in days. */
const ANSWERED_WITHIN = 20

const instantOf = (at: number): string => `${new Date(at).toISOString().slice(0, 19)}Z`

/** The questions that were asked about a listing on a day, each with the answer that it gets, whenever that is. */
function askedOn(place: DemoPlace, day: Day): DemoQuestion[] {
  const key = [place.remoteId, day, 'question'] as const
  if (unit(...key, 'asked') >= place.views * ASKED_PER_VIEW * 3) return []
  const draw = (name: string) => unit(...key, name)
  const texts = place.client === 'kittiwake-line' ? FERRY : GARDEN
  const [text, answer] = texts[Math.floor(draw('text') * texts.length)]!
  const askedAt = Date.parse(`${day}T07:30:00Z`) + Math.floor(draw('minute') * 13 * 3_600_000)
  const isAnswered = draw('answered') < 0.72
  const byOwner = draw('who') < 0.62
  return [
    {
      // reviews of a day are numbered from 0
      remote_id: `${place.remoteId.slice(-6)}${String(dayNumber(day)).padStart(6, '0')}90`,
      asked_at: instantOf(askedAt),
      day,
      author: PEOPLE[Math.floor(draw('author') * PEOPLE.length)]!,
      text,
      wanted: Math.floor(draw('wanted') ** 2 * 9),
      answered_at: isAnswered ? instantOf(askedAt + Math.round((1 + draw('hours') * 110) * 3_600_000)) : null,
      answer: isAnswered ? (byOwner ? answer : 'I think so, but better ask them.') : null,
      answered_by: isAnswered ? (byOwner ? THE_OWNER : PEOPLE[Math.floor(draw('by') * PEOPLE.length)]!) : null,
    },
  ]
}

/** A question as it stands at an instant: without an answer that comes later. */
const asOf = (question: DemoQuestion, now: number): DemoQuestion =>
  question.answered_at !== null && Date.parse(question.answered_at) > now
    ? { ...question, answered_at: null, answer: null, answered_by: null }
    : question

const placeOf = (remoteId: string) => PLACES.find((place) => place.remoteId === remoteId)

/** The questions about a listing that changed on a day, as they stand by then: those asked on it, and those answered. */
export function questionsOn(remoteId: string, day: Day, now: number): DemoQuestion[] {
  const place = placeOf(remoteId)
  if (!place) return []
  const answered = Array.from({ length: ANSWERED_WITHIN }, (_, back) => addDays(day, -back - 1)).flatMap((asked) =>
    askedOn(place, asked).filter((question) => question.answered_at?.startsWith(day)),
  )
  return [...askedOn(place, day), ...answered]
    .filter(({ asked_at: at }) => Date.parse(at) <= now)
    .map((question) => asOf(question, now))
}

/** Every question about a listing that was asked in some days, as it stands at an instant. */
export const questionsIn = (remoteId: string, days: readonly Day[], now: number): DemoQuestion[] => {
  const place = placeOf(remoteId)
  return place
    ? days
        .flatMap((day) => askedOn(place, day))
        .filter(({ asked_at: at }) => Date.parse(at) <= now)
        .map((question) => asOf(question, now))
    : []
}
