import { THE_OWNER } from '../core/datasets/datasets'
import { addDays, dayNumber, type Day } from '../core/days/day'
import { pictureOf } from './pictures'
import { PLACES, type DemoPlace } from './places'
import { unit } from './random'

/** A picture of a listing as Waymark gives it. */
export interface DemoListingPicture {
  remote_id: string
  added_at: string
  day: Day
  author: string
  text: string
  removed_at: string | null
  picture_url: string | null
  views: number
}

const PEOPLE = ['Elowen R.', 'Piran T.', 'Kerra M.', 'Jago L.', 'Tamsin B.', 'Denzel K.'] as const
/** How often one is added on a day, and for how many days one is shown at the most that is removed. */
const ADDED_A_DAY = 1 / 34
const LONGEST_SHOWN = 300
/** How far back those were added that can still be shown. */
const PAST_DAYS = 900
const DAY_MS = 86_400_000

const instantOf = (at: number): string => `${new Date(at).toISOString().slice(0, 19)}Z`

/** A picture as it is once and for all, whenever it is asked about. */
interface Made {
  id: string
  day: Day
  addedAt: number
  removedAt: number
  author: string
  text: string
  viewsPerDay: number
}
const made = new Map<string, Made | undefined>()

/** The picture that is added to a listing on a day, if one is. */
function madeOn(place: DemoPlace, day: Day): Made | undefined {
  const key = [place.remoteId, day, 'listing picture'] as const
  const name = key.join(' ')
  if (made.has(name)) return made.get(name)
  const draw = (what: string) => unit(...key, what)
  const addedAt = Date.parse(`${day}T08:30:00Z`) + Math.floor(draw('minute') * 11 * 3_600_000)
  const shownDays = 6 + Math.floor(draw('shown') * (LONGEST_SHOWN - 6))
  // reviews and questions of a day have other endings
  const id = `${place.remoteId.slice(-6)}${String(dayNumber(day)).padStart(6, '0')}95`
  const picture = draw('added') < ADDED_A_DAY && {
    id,
    day,
    addedAt,
    removedAt: draw('removed') < 0.35 ? addedAt + shownDays * DAY_MS : Infinity,
    author: draw('who') < 0.45 ? THE_OWNER : PEOPLE[Math.floor(draw('by') * PEOPLE.length)]!,
    text: pictureOf(place.client, { remoteId: id, text: '' }).alt,
    viewsPerDay: place.views * (0.01 + 0.05 * draw('views') ** 2),
  }
  made.set(name, picture || undefined)
  return picture || undefined
}

/** The picture that was added to a listing on a day, if one was, as it stands at an instant. */
function addedOn(place: DemoPlace, day: Day, now: number): DemoListingPicture[] {
  const picture = madeOn(place, day)
  if (!picture || picture.addedAt > now) return []
  const { id, addedAt, removedAt, author, text, viewsPerDay } = picture
  const isRemoved = removedAt <= now
  return [
    {
      remote_id: id,
      added_at: instantOf(addedAt),
      day,
      author,
      text,
      removed_at: isRemoved ? instantOf(removedAt) : null,
      picture_url: isRemoved ? null : `pictures/${place.remoteId}/${id}.svg`,
      views: Math.floor(((Math.min(now, removedAt) - addedAt) / DAY_MS) * viewsPerDay),
    },
  ]
}

const placeOf = (remoteId: string) => PLACES.find((place) => place.remoteId === remoteId)

/** Every picture that was added to a listing in some days, as it stands at an instant. */
export const listingPicturesIn = (remoteId: string, days: readonly Day[], now: number): DemoListingPicture[] => {
  const place = placeOf(remoteId)
  return place ? days.flatMap((day) => addedOn(place, day, now)) : []
}

/**
 * The pictures of a listing that changed on a day, as they stand at an instant: those added on it and those removed on
 * it; of the newest day, all that are shown.
 */
export function listingPicturesOn(remoteId: string, day: Day, now: number, isNewest: boolean): DemoListingPicture[] {
  const past = Array.from({ length: PAST_DAYS }, (_, back) => addDays(day, -back - 1))
  return [
    ...listingPicturesIn(remoteId, [day], now),
    ...listingPicturesIn(remoteId, past, now).filter(({ removed_at: removed }) =>
      removed === null ? isNewest : removed.startsWith(day),
    ),
  ]
}

/** What a picture of a listing looks like, by its number; undefined where it shows none by then. */
export function listingPictureSvg(remoteId: string, id: string, day: Day, now: number): string | undefined {
  const place = placeOf(remoteId)
  const found = place && addedOn(place, day, now).find((each) => each.remote_id === id && each.picture_url !== null)
  return place && found && pictureOf(place.client, { remoteId: id, text: '' }).svg
}
