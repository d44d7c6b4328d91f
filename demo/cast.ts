/** Who appears in the made-up scenario. Every name is invented. */
export interface DemoProfile {
  client: string
  network: string
  handle: string
  name: string
  /** The network's own number for the profile: long, and text. */
  remoteId: string
  /** Followers at the end of the world's time. */
  followers: number
  growthPerYear: number
  /** Impressions on a day without posts. */
  background: number
  postsPerWeek: number
  impressionsPerPost: number
  /** Interactions for each impression. */
  rate: number
  /** Whether the owner has given consent before the scenario begins. */
  connected: boolean
}

export const AGENCY = {
  name: 'Halyard Row',
  address: '4 Halyard Row, Port Farrow, Farrow Isles',
  contact: 'desk@halyardrow.example',
  colour: '#1F6F5C',
  logo: '<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 48 48" role="img" aria-label="Halyard Row"><path d="M10 42V6M38 42V6M10 24h28" stroke="#1F6F5C" stroke-width="4" fill="none"/><path d="M14 8c8 2 14 6 20 14H14z" fill="#1F6F5C"/></svg>',
}

export const CLIENTS = [
  { slug: 'mossgate-gardens', name: 'Mossgate Gardens', timeZone: 'Europe/London', universe: 640_000 },
  { slug: 'kittiwake-line', name: 'Kittiwake Line', timeZone: 'Europe/London', universe: 410_000 },
  { slug: 'orrery-press', name: 'Orrery Press', timeZone: 'Europe/London', universe: null },
] as const

export const PEOPLE = [
  { email: 'ada@halyardrow.example', name: 'Ada Pellow', role: 'owner', clients: [] },
  { email: 'jory@halyardrow.example', name: 'Jory Tamblyn', role: 'analyst', clients: ['mossgate-gardens', 'orrery-press'] },
  { email: 'senara@mossgate.example', name: 'Senara Vane', role: 'viewer', clients: ['mossgate-gardens'] },
] as const

export const PROFILES: readonly DemoProfile[] = [
  {
    client: 'mossgate-gardens', network: 'commons', handle: 'mossgategardens', name: 'Mossgate Gardens', remoteId: '10220431877650213',
    followers: 18_204, growthPerYear: 0.08, background: 1450, postsPerWeek: 4, impressionsPerPost: 1900, rate: 0.031, connected: true,
  },
  {
    client: 'mossgate-gardens', network: 'tintype', handle: '@mossgate', name: '@mossgate', remoteId: '17841400518844102',
    followers: 24_881, growthPerYear: 0.21, background: 2300, postsPerWeek: 6, impressionsPerPost: 2900, rate: 0.048, connected: true,
  },
  {
    client: 'mossgate-gardens', network: 'commons', handle: 'teaatmossgate', name: 'Tea at Mossgate', remoteId: '10220431877650987',
    followers: 4418, growthPerYear: 0.03, background: 420, postsPerWeek: 3.5, impressionsPerPost: 510, rate: 0.024, connected: true,
  },
  {
    client: 'mossgate-gardens', network: 'tintype', handle: '@mossgate.nursery', name: '@mossgate.nursery', remoteId: '17841400518877416',
    followers: 2960, growthPerYear: 0.4, background: 260, postsPerWeek: 3, impressionsPerPost: 640, rate: 0.055, connected: false,
  },
  {
    client: 'kittiwake-line', network: 'commons', handle: 'kittiwakeline', name: 'Kittiwake Line', remoteId: '10220977104432018',
    followers: 9630, growthPerYear: 0.05, background: 980, postsPerWeek: 5, impressionsPerPost: 1150, rate: 0.022, connected: true,
  },
  {
    client: 'kittiwake-line', network: 'tintype', handle: '@kittiwakeline', name: '@kittiwakeline', remoteId: '17841401290077352',
    followers: 7745, growthPerYear: 0.17, background: 700, postsPerWeek: 4, impressionsPerPost: 1280, rate: 0.041, connected: true,
  },
  {
    client: 'orrery-press', network: 'commons', handle: 'orrerypress', name: 'Orrery Press', remoteId: '10221300650045581',
    followers: 31_870, growthPerYear: 0.06, background: 2600, postsPerWeek: 5, impressionsPerPost: 2400, rate: 0.027, connected: true,
  },
  {
    client: 'orrery-press', network: 'tintype', handle: '@orrerypress', name: '@orrerypress', remoteId: '17841402210093377',
    followers: 12_410, growthPerYear: 0.28, background: 1100, postsPerWeek: 5, impressionsPerPost: 1950, rate: 0.052, connected: true,
  },
  {
    client: 'mossgate-gardens', network: 'zoetrope', handle: 'mossgate.clips', name: 'mossgate.clips', remoteId: '70311928840021775',
    followers: 9310, growthPerYear: 0.9, background: 1900, postsPerWeek: 3, impressionsPerPost: 6200, rate: 0.057, connected: true,
  },
  {
    client: 'mossgate-gardens', network: 'lantern', handle: 'mossgatefilms', name: 'Mossgate Films', remoteId: '30190044716520831',
    followers: 3122, growthPerYear: 0.12, background: 240, postsPerWeek: 0.5, impressionsPerPost: 2600, rate: 0.03, connected: true,
  },
  {
    client: 'mossgate-gardens', network: 'guildhall', handle: 'mossgate-gardens', name: 'Mossgate Gardens', remoteId: '50077120394418266',
    followers: 1540, growthPerYear: 0.18, background: 60, postsPerWeek: 1, impressionsPerPost: 480, rate: 0.026, connected: true,
  },
  {
    client: 'mossgate-gardens', network: 'murmur', handle: '@mossgate', name: '@mossgate', remoteId: '61120930075418823',
    followers: 2206, growthPerYear: -0.04, background: 130, postsPerWeek: 5, impressionsPerPost: 190, rate: 0.019, connected: true,
  },
  {
    client: 'kittiwake-line', network: 'commons', handle: 'kittiwakejobs', name: 'Kittiwake Crew', remoteId: '10220977104439120',
    followers: 1120, growthPerYear: 0.1, background: 70, postsPerWeek: 1, impressionsPerPost: 260, rate: 0.028, connected: true,
  },
  {
    client: 'kittiwake-line', network: 'tintype', handle: '@kittiwake.crew', name: '@kittiwake.crew', remoteId: '17841401290079981',
    followers: 980, growthPerYear: 0.22, background: 90, postsPerWeek: 2, impressionsPerPost: 310, rate: 0.05, connected: true,
  },
  {
    client: 'kittiwake-line', network: 'murmur', handle: '@kittiwakeline', name: '@kittiwakeline', remoteId: '61120931188420017',
    followers: 4411, growthPerYear: 0.02, background: 420, postsPerWeek: 14, impressionsPerPost: 340, rate: 0.012, connected: true,
  },
  {
    client: 'kittiwake-line', network: 'zoetrope', handle: 'kittiwake', name: 'kittiwake', remoteId: '70311928846650912',
    followers: 2075, growthPerYear: 0.7, background: 380, postsPerWeek: 2, impressionsPerPost: 2100, rate: 0.05, connected: true,
  },
  {
    client: 'kittiwake-line', network: 'waymark', handle: 'kittiwake-north-pier', name: 'North Pier', remoteId: '80010402277519034',
    followers: 0, growthPerYear: 0, background: 620, postsPerWeek: 0.5, impressionsPerPost: 300, rate: 0.02, connected: true,
  },
  {
    client: 'orrery-press', network: 'lantern', handle: 'orrerypress', name: 'Orrery Films', remoteId: '30190044719907254',
    followers: 8840, growthPerYear: 0.25, background: 900, postsPerWeek: 1, impressionsPerPost: 5200, rate: 0.034, connected: true,
  },
  {
    client: 'orrery-press', network: 'guildhall', handle: 'orrery-press', name: 'Orrery Press', remoteId: '50077120397720310',
    followers: 2930, growthPerYear: 0.14, background: 110, postsPerWeek: 1.5, impressionsPerPost: 690, rate: 0.021, connected: true,
  },
  {
    client: 'orrery-press', network: 'murmur', handle: '@orrery', name: '@orrery', remoteId: '61120932240075566',
    followers: 6120, growthPerYear: 0.03, background: 350, postsPerWeek: 9, impressionsPerPost: 410, rate: 0.016, connected: true,
  },
  {
    client: 'orrery-press', network: 'cork', handle: 'orrerypress', name: 'Orrery Press', remoteId: '40450019883320617',
    followers: 5240, growthPerYear: 0.31, background: 1600, postsPerWeek: 4, impressionsPerPost: 900, rate: 0.024, connected: true,
  },
]

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
  { client: 'mossgate-gardens', from: 18, to: 16, factor: 0.3, silent: true, note: { title: 'Storm, gardens shut.', body: 'No posts; expected.' } },
  { client: 'mossgate-gardens', handle: 'teaatmossgate', from: 17, to: 16, factor: 0.3, missing: true },
  { client: 'mossgate-gardens', handle: '@mossgate', from: 7, to: 7, factor: 5.2, mustPost: true, note: { title: 'Night opening.', body: 'The short clip of the lanterns was passed on far more than usual.' } },
  { client: 'mossgate-gardens', handle: '@mossgate', from: 6, to: 6, factor: 2.6 },
  { client: 'kittiwake-line', from: 24, to: 19, factor: 0.45, silent: true, note: { title: 'Storm week, no ferries.', body: 'All sailings cancelled.' } },
  { client: 'kittiwake-line', handle: 'kittiwakeline', from: 22, to: 20, factor: 0.45, missing: true },
  { client: 'orrery-press', handle: '@orrerypress', from: 12, to: 11, factor: 2.4 },
]

export const POST_TEXTS: Record<string, readonly string[]> = {
  'mossgate-gardens': [
    'The fern house opens an hour early this week.', 'Which rose is your favourite of the year?', 'Lanterns along the long walk tonight.',
    'First snowdrops under the old lime.', 'A morning in the walled garden, before the gates open.', 'The tea room has plum cake again.',
  ],
  'kittiwake-line': ['Calm seas and a clear view of the lighthouse.', 'The timetable changes on Monday.', 'Seals off the north pier this morning.', 'Meet the crew of the early boat.'],
  'orrery-press': ['Why does the moon look larger near the horizon?', 'Build a sundial from a paper plate.', 'This month: everything about tides.', 'A reader asks how far away the stars are.'],
}
