import { weekday, type Day } from '../core/days/day'
import { CLIENTS } from './cast'
import { scatter, unit, wobble } from './random'

/** What there is on the clients' sites: pages with their part of the views and the seconds that people stay. */
const PAGES: Record<string, readonly [string, number, number][]> = {
  'mossgate-gardens': [
    ['/', 0.28, 35],
    ['/visit', 0.24, 64],
    ['/nights', 0.14, 82],
    ['/tea', 0.11, 41],
    ['/beds/fern-house', 0.09, 118],
    ['/spring', 0.05, 52],
    ['/shop', 0.05, 47],
    ['/about', 0.04, 73],
  ],
  'kittiwake-line': [
    ['/', 0.2, 22],
    ['/times', 0.46, 48],
    ['/tickets', 0.2, 95],
    ['/news', 0.08, 57],
    ['/contact', 0.06, 38],
  ],
  'orrery-press': [
    ['/', 0.22, 31],
    ['/try', 0.33, 164],
    ['/ask', 0.17, 92],
    ['/subscribe', 0.12, 71],
    ['/issues', 0.1, 66],
    ['/schools', 0.06, 103],
  ],
}
const SOURCES: readonly [string, string, number][] = [
  ['networks', 'social', 0.31],
  ['(direct)', 'none', 0.27],
  ['search engines', 'search', 0.25],
  ['letter', 'mail', 0.1],
  ['townbook.example', 'referral', 0.07],
]
const VISITS_A_DAY: Record<string, number> = {
  'mossgate-gardens': 410,
  'kittiwake-line': 760,
  'orrery-press': 520,
}

/** The sites of the clients. */
export const SITES = CLIENTS.filter(({ slug }) => PAGES[slug]).map(({ slug, name, website }) => ({
  client: slug,
  name: `Site of ${name}`,
  address: website,
}))

/** A whole number parted by weights, so that the parts add up to it: every visit begins, ends and comes once. */
function shared(whole: number, weights: readonly number[]): number[] {
  const all = weights.reduce((sum, weight) => sum + weight, 0)
  const parts = weights.map((weight) => Math.floor((whole * weight) / all))
  parts[0]! += whole - parts.reduce((sum, part) => sum + part, 0)
  return parts
}

/** What was counted of a client's site on a day: of all visitors, and of those who consented by page and by source. */
export function trafficOn(client: string, day: Day) {
  const weekend = weekday(day) >= 6 ? 1.4 : 1
  const visits = scatter(VISITS_A_DAY[client]! * weekend * wobble(0.3, client, day, 'visits'), client, day, 'visits')
  const consented = Math.round(visits * (0.68 + 0.06 * unit(client, day.slice(0, 7), 'consent')))
  const one = Math.round(consented * 0.86)
  const begun = shared(
    consented,
    PAGES[client]!.map(([page, part]) => part * (page === '/' ? 1.6 : 0.85) * wobble(0.2, client, day, page, 'begun')),
  )
  const ended = shared(
    consented,
    PAGES[client]!.map(([page, part]) => part * (0.6 + 0.8 * unit(client, page, 'exits'))),
  )
  const pages = PAGES[client]!.map(([page, part, stay], index) => {
    const exits = ended[index]!
    const views = Math.max(exits, begun[index]!, scatter(consented * 2.1 * part, client, day, page))
    const timed = views - exits
    return {
      page,
      views,
      unique: Math.round(views * 0.83),
      seconds: Math.round(timed * stay * wobble(0.2, client, day, page, 'stay')),
      timed,
      entrances: begun[index]!,
      exits,
    }
  })
  const came = shared(
    consented,
    SOURCES.map(([source, , part]) => part * wobble(0.4, client, day, source)),
  )
  const sources = SOURCES.map(([source, medium], index) => {
    const visits = came[index]!
    return { source, medium, visits, people: Math.round(visits * 0.88) }
  })
  return { visits, consented, one, seven: Math.round(one * 5.4), many: Math.round(one * 17.2), pages, sources }
}
