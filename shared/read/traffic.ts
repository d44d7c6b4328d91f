import { object, type InferType } from 'yup'
import type { CountChange } from '../../core/change/countChange'
import type { PeopleRange } from '../../core/traffic/peopleOver'
import { text } from '../platform/text'

/** A site of the client’s own, as somebody adds it. */
export const siteSchema = object({
  name: text().required('Give the site a name.').max(80, 'Keep the name under 80 letters.'),
  address: text()
    .required('Write its address.')
    .max(300, 'That address is too long.')
    .matches(/^https?:\/\/[^\s/?#]+\.[^\s]*$/i, 'Write an address such as https://www.mossgate.example.'),
})
export type SiteInput = InferType<typeof siteSchema>

/** A number of different people over some days: exactly, or between bounds; nothing bounds it without a high. */
export type PeopleBounds = PeopleRange

/** How a page was used. */
export interface PageTraffic {
  page: string
  views: number
  people?: PeopleBounds
  /** Mean seconds on it, over the views of which the time is known; absent where none is. */
  meanSeconds?: number
  entrances: number
  exits: number
  change?: CountChange
}

/** Where visits came from. */
export interface SourceTraffic {
  source: string
  medium: string
  visits: number
  people?: PeopleBounds
  change?: CountChange
}

/** The traffic of a site over a period. */
export interface SiteTraffic {
  site: { id: number; name: string; address: string }
  /** How many days of the period are known, and of how many. */
  days: { known: number; of: number }
  views: number
  viewsChange?: CountChange
  visits: number
  /** Of all visits, those of visitors who consented; absent where that is not told. */
  consented?: { visits: number; of: number }
  visitors?: PeopleBounds
  byDay: { day: string; views: number | null; visits: number | null }[]
  pages: PageTraffic[]
  /** How many pages there are in all. */
  allPages: number
  sources: SourceTraffic[]
}
export interface Traffic {
  sites: SiteTraffic[]
}
