/** Who appears in the made-up scenario beside its profiles, and what happens in it. Every name is invented. */

export const AGENCY = {
  name: 'Halyard Row',
  address: '4 Halyard Row, Port Farrow, Farrow Isles',
  contact: 'desk@halyardrow.example',
  colour: '#1F6F5C',
  /** How many profiles the agency may have switched on. */
  activeProfiles: 55,
  /** And how many places. */
  activePlaces: 14,
  logo:
    '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 48 48" role="img" aria-label="Halyard Row"><path d="M10 ' +
    '42V6M38 42V6M10 24h28" stroke="#1F6F5C" stroke-width="4" fill="none"/><path d="M14 8c8 2 14 6 20 14H14z" ' +
    'fill="#1F6F5C"/></svg>',
}

export const CLIENTS = [
  {
    slug: 'mossgate-gardens',
    name: 'Mossgate Gardens',
    timeZone: 'Europe/London',
    universe: 640_000,
    website: 'https://www.mossgate.example/',
  },
  {
    slug: 'kittiwake-line',
    name: 'Kittiwake Line',
    timeZone: 'Europe/London',
    universe: 410_000,
    website: 'https://www.kittiwakeline.example/',
  },
  {
    slug: 'orrery-press',
    name: 'Orrery Press',
    timeZone: 'Europe/London',
    universe: null,
    website: 'https://orrerypress.example/',
  },
] as const

export const PEOPLE = [
  { email: 'ada@halyardrow.example', name: 'Ada Pellow', role: 'owner', clients: [] },
  {
    email: 'jory@halyardrow.example',
    name: 'Jory Tamblyn',
    role: 'analyst',
    clients: ['mossgate-gardens', 'orrery-press'],
  },
  { email: 'senara@mossgate.example', name: 'Senara Vane', role: 'viewer', clients: ['mossgate-gardens'] },
] as const

/** What happens in the scenario, in days before the end of the world's time. */
export interface DemoEvent {
  client: string
  /** Only this profile, by handle; otherwise all of the client's. */
  handle?: string
  from: number
  to: number
  /** What the figures are multiplied with. */
  factor: number
  /** Nothing is published. */
  silent?: boolean
  /** Something is published whatever the day. */
  mustPost?: boolean
  /** The network has no figures for these days. */
  missing?: boolean
  note?: { title: string; body: string }
}

export const EVENTS: readonly DemoEvent[] = [
  {
    client: 'mossgate-gardens',
    from: 18,
    to: 16,
    factor: 0.3,
    silent: true,
    note: { title: 'Storm, gardens shut.', body: 'No posts; expected.' },
  },
  { client: 'mossgate-gardens', handle: 'teaatmossgate', from: 17, to: 16, factor: 0.3, missing: true },
  {
    client: 'mossgate-gardens',
    handle: '@mossgate',
    from: 7,
    to: 7,
    factor: 5.2,
    mustPost: true,
    note: { title: 'Night opening.', body: 'The short clip of the lanterns was passed on far more than usual.' },
  },
  { client: 'mossgate-gardens', handle: '@mossgate', from: 6, to: 6, factor: 2.6 },
  {
    client: 'kittiwake-line',
    from: 24,
    to: 19,
    factor: 0.45,
    silent: true,
    note: { title: 'Storm week, no ferries.', body: 'All sailings cancelled.' },
  },
  { client: 'kittiwake-line', handle: 'kittiwakeline', from: 22, to: 20, factor: 0.45, missing: true },
  // a rival’s post was passed on far more than usual
  { client: 'mossgate-gardens', handle: '@thornapplepark', from: 9, to: 9, factor: 6, mustPost: true },
  // one rival has not posted since the storm
  ...['bluecormorant', '@bluecormorant'].map((handle) => ({
    client: 'kittiwake-line',
    handle,
    from: 18,
    to: 0,
    factor: 1,
    silent: true,
  })),
  { client: 'orrery-press', handle: '@orrerypress', from: 12, to: 11, factor: 14, mustPost: true },
]

/** The nights on which a garden is open late, each in days before the end of the world's time: this year's and last. */
export const NIGHT_OPENINGS: Record<string, readonly number[]> = { 'mossgate-gardens': [7, 371] }

/** Tags that the analysts have made, each with the rule that sets it. */
export const TAGS = [
  { client: 'mossgate-gardens', name: 'night opening', colour: 1, rule: { hashtags: '#nightopening' } },
  { client: 'mossgate-gardens', name: 'tea room', colour: 3, rule: { any: '"tea room", cake, beans' } },
  { client: 'mossgate-gardens', name: 'in the beds', colour: 2, rule: { any: 'fern, moss, rose, tulip, snowdrops' } },
  { client: 'kittiwake-line', name: 'timetable', colour: 1, rule: { any: 'timetable, times, sailings, tide' } },
  { client: 'orrery-press', name: 'try at home', colour: 1, rule: { any: 'build, make, grow, weigh' } },
] as const

/** Polls and surveys that were written down; `people` where each could give several answers. */
export const POLLS = [
  {
    client: 'mossgate-gardens',
    question: 'What would bring you here on a weekday evening?',
    asked: 'In a story on Tintype, four answers to choose from.',
    chosen: 'themselves',
    ago: 40,
    people: null,
    answers: [
      ['Lanterns', 214],
      ['Supper in the tea room', 131],
      ['A talk by a gardener', 52],
      ['Nothing, evenings are for home', 38],
    ],
  },
  {
    client: 'mossgate-gardens',
    question: 'How did you hear of the night opening?',
    asked: 'Every twentieth visitor at the gate, by the stewards.',
    chosen: 'drawn',
    ago: 8,
    people: 180,
    answers: [
      ['From a friend', 84],
      ['On a network', 77],
      ['In a local paper', 21],
      ['From the letter', 19],
      ['I was passing by', 6],
    ],
  },
  {
    client: 'orrery-press',
    question: 'Which page do you read first?',
    asked: 'By letter to subscribers, with a stamped card.',
    chosen: 'themselves',
    ago: 60,
    people: null,
    answers: [
      ['Ask us anything', 143],
      ['Try it at home', 151],
      ['The map of the sky', 67],
    ],
  },
] as const

/**
 * What a network's volume as a whole does in the last weeks of the world's time: from so many days before its end,
 * multiplied with so much.
 */
export const TIDES: Record<string, { from: number; factor: number }[]> = {
  commons: [{ from: 27, factor: 0.93 }],
  tintype: [{ from: 27, factor: 1.04 }],
  zoetrope: [{ from: 27, factor: 1.12 }],
  murmur: [{ from: 27, factor: 0.84 }],
}

/** The web pages of the clients, as a visitor finds them. */
export const PAGES: Record<string, string> = {
  'www.mossgate.example': `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Mossgate Gardens</title>
<meta property="og:title" content="Mossgate Gardens: lanterns on the lake path">
<meta property="og:description" content="Public gardens with tea rooms, open all year, and on autumn nights by lantern.">
<meta property="og:image" content="/lake.png"></head><body>
<header><h1>Mossgate Gardens</h1><nav><a href="/visit">Visit</a> <a href="/tea">Tea rooms</a></nav></header>
<main><p>Public gardens with tea rooms, open all year.</p></main>
<footer><a href="https://commons.example/mossgategardens">Commons</a> <a href="https://tintype.example/@mossgate" rel="me">Tintype</a>
<a href="https://zoetrope.example/mossgate.clips">Zoetrope</a>
<a href="https://murmur.example/@mossgate?ref=site">Murmur</a>
<a href="mailto:hello@mossgate.example">Write to us</a></footer></body></html>`,
  'www.kittiwakeline.example': `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Kittiwake Line</title></head><body>
<h1>Kittiwake Line</h1><p>Small passenger ferries between the isles.</p>
<a href="https://commons.example/kittiwakeline">Commons</a>
<a href="https://tintype.example/@kittiwakeline">Tintype</a></body></html>`,
  'orrerypress.example': `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Orrery Press</title></head><body>
<h1>Orrery Press</h1><p>A science magazine for children.</p>
<p>We are on <a href="https://commons.example/orrerypress">Commons</a>,
<a href="https://tintype.example/@orrerypress">Tintype</a> and
<a href="https://lantern.example/orrerypress">Lantern</a>.</p></body></html>`,
}

/** Sets that the analysts have made; members are named by network and handle. */
export const SETS = [
  {
    client: 'mossgate-gardens',
    name: 'Gardens',
    members: ['commons mossgategardens', 'tintype @mossgate', 'zoetrope mossgate.clips', 'lantern mossgatefilms'],
  },
  {
    client: 'mossgate-gardens',
    name: 'Video',
    members: ['zoetrope mossgate.clips', 'lantern mossgatefilms', 'tintype @mossgate'],
  },
  {
    client: 'kittiwake-line',
    name: 'For passengers',
    members: ['commons kittiwakeline', 'tintype @kittiwakeline', 'murmur @kittiwakeline'],
  },
] as const

/** Targets that were agreed: the wanted value, from and by when in days around the end of the world's time. */
export const TARGETS = [
  { client: 'mossgate-gardens', metric: 'followers', members: ['tintype @mossgate'], wanted: 26_000, from: 60, by: 63 },
  { client: 'mossgate-gardens', metric: 'interactions', members: [], wanted: 40_000, from: 58, by: 32 },
  { client: 'kittiwake-line', metric: 'followers', members: ['zoetrope kittiwake'], wanted: 2300, from: 45, by: 9 },
] as const satisfies readonly {
  client: string
  metric: string
  members: readonly string[]
  wanted: number
  from: number
  by: number
}[]
