import { weekday, type Day } from '../core/days/day'
import { scatter, unit } from './random'

/** Under which address the agency's links and pages stand in texts. */
const SHORT = 'https://halyardrow.example/l'

/** The tracked links of the clients; what is `ended` leads nowhere any more. */
export const LINKS = [
  {
    client: 'mossgate-gardens',
    code: 'm2vst7k',
    name: 'Plan a visit, from posts',
    target: 'https://www.mossgate.example/visit',
    source: 'networks',
    medium: 'social',
    campaign: 'visits',
    aDay: 21,
  },
  {
    client: 'mossgate-gardens',
    code: 'n6ghtqp',
    name: 'Tickets for the night opening',
    target: 'https://www.mossgate.example/nights?year=2026',
    source: 'networks',
    medium: 'social',
    campaign: 'night opening 2026',
    aDay: 34,
    from: 45,
  },
  {
    client: 'mossgate-gardens',
    code: 'c4kst3d',
    name: 'The tea room’s card',
    target: 'https://www.mossgate.example/tea',
    source: 'table card',
    medium: 'print',
    campaign: '',
    aDay: 5,
  },
  {
    client: 'mossgate-gardens',
    code: 'l3ttr9b',
    name: 'Spring letter, the button',
    target: 'https://www.mossgate.example/spring',
    source: 'letter',
    medium: 'mail',
    campaign: 'spring',
    aDay: 9,
    from: 220,
    ended: 130,
  },
  {
    client: 'kittiwake-line',
    code: 't7m3tbl',
    name: 'The timetable, from posts',
    target: 'https://www.kittiwakeline.example/times',
    source: 'networks',
    medium: 'social',
    campaign: 'timetable',
    aDay: 40,
  },
  {
    client: 'orrery-press',
    code: 'tr8thm2',
    name: 'Try it at home, from posts',
    target: 'https://orrerypress.example/try',
    source: 'networks',
    medium: 'social',
    campaign: 'try at home',
    aDay: 27,
    isWest: true,
  },
] as const
type DemoLink = (typeof LINKS)[number]

/** The public pages of several links; a part without a link is a heading. */
export const LINK_PAGES = [
  {
    client: 'mossgate-gardens',
    code: 'g7rdn5s',
    title: 'Mossgate Gardens',
    intro: 'Open every day until six.\nThe tea room closes at five.',
    accent: '#1F5A3C',
    items: [
      { text: 'This week', link: undefined },
      { text: 'Tickets for the night opening', link: 'n6ghtqp' },
      { text: 'All the year', link: undefined },
      { text: 'Plan a visit', link: 'm2vst7k' },
      { text: 'What there is in the tea room', link: 'c4kst3d' },
    ],
    aDay: 30,
  },
  {
    client: 'kittiwake-line',
    code: 'k2tt9ln',
    title: 'Kittiwake Line',
    intro: 'Boats between the islands.',
    accent: '#23409A',
    items: [{ text: 'When the boats leave', link: 't7m3tbl' }],
    aDay: 22,
  },
] as const

/** The link that a client's posts name now and then. */
export const linkIn = (client: string): string | undefined => {
  const link = LINKS.find((each) => each.client === client)
  return link && `${SHORT}/${link.code}`
}

const COUNTRIES = {
  home: ['GB', 'GB', 'GB', 'GB', 'IE', 'FR', 'DE', ''],
  west: ['US', 'US', 'CA', 'GB', 'US', 'IE', ''],
}
const SITES = ['tintype.example', 'commons.example', '', '', 'zoetrope.example', 'murmur.example']
const HOURS = [1, 1, 0, 0, 0, 1, 2, 4, 5, 5, 5, 6, 7, 6, 5, 5, 6, 7, 9, 11, 12, 9, 5, 3]

interface DemoVisits {
  hours: { hour: number; kind: 'person' | 'robot' | 'prefetch'; visits: number }[]
  parts: { facet: 'country' | 'referrer' | 'page'; part: string; visits: number }[]
}

/** What was counted of a link on a day that lies so many days before the end of the world's time. */
export function visitsOf(link: DemoLink, day: Day, before: number): DemoVisits | undefined {
  if ('from' in link && before > link.from) return undefined
  if ('ended' in link && before <= link.ended) return undefined
  const weekend = weekday(day) >= 6 ? 1.35 : 1
  const rise = 'from' in link && !('ended' in link) ? 1 + 1.6 * Math.max(0, 1 - before / 20) : 1
  const people = scatter(link.aDay * weekend * rise, link.code, day)
  const isWest = 'isWest' in link
  const page = LINK_PAGES.find(({ items }) => items.some((item) => item.link === link.code))
  return counted(people, [link.code, day], isWest, page?.code)
}

/** What was counted of a public page on a day. */
export const viewsOf = (page: (typeof LINK_PAGES)[number], day: Day): DemoVisits =>
  counted(scatter(page.aDay * (weekday(day) >= 6 ? 1.3 : 1), page.code, day), [page.code, day], false, undefined)

function counted(people: number, key: string[], isWest: boolean, page: string | undefined): DemoVisits {
  const hours = new Map<number, number>()
  const parts = new Map<string, number>()
  const add = (facet: string, part: string) => parts.set(`${facet} ${part}`, (parts.get(`${facet} ${part}`) ?? 0) + 1)
  const all = HOURS.reduce((sum, weight) => sum + weight, 0)
  const countries = COUNTRIES[isWest ? 'west' : 'home']
  const pick = <T>(from: readonly T[], ...own: (string | number)[]): T =>
    from[Math.floor(unit(...key, ...own) * from.length)]!
  for (let person = 0; person < people; person++) {
    let left = unit(...key, 'hour', person) * all
    const at = Math.max(
      0,
      HOURS.findIndex((weight) => (left -= weight) < 0),
    )
    const hour = isWest ? (at + 5) % 24 : at
    hours.set(hour, (hours.get(hour) ?? 0) + 1)
    add('country', pick(countries, 'country', person))
    add('referrer', pick(SITES, 'site', person))
    if (page && unit(...key, 'page', person) < 0.3) add('page', page)
  }
  const robots = scatter(people * 0.12, ...key, 'robots')
  return {
    hours: [
      ...[...hours].map(([hour, visits]) => ({ hour, kind: 'person' as const, visits })),
      ...(robots > 0 ? [{ hour: 3, kind: 'robot' as const, visits: robots }] : []),
      ...(people > 12 ? [{ hour: 20, kind: 'prefetch' as const, visits: Math.round(people / 13) }] : []),
    ],
    parts: [...parts].map(([name, visits]) => {
      const [facet, ...part] = name.split(' ')
      return { facet: facet as 'country', part: part.join(' '), visits }
    }),
  }
}
