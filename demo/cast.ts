import { NEIGHBOURS } from './neighbours'
import { PLACES } from './places'

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
  /** The competitor that it belongs to. */
  rival?: string
  /** It grows by so much a year in its last days instead. */
  faster?: { days: number; growthPerYear: number }
  /** It is on the network only since so many days before the end of the world’s time. */
  begins?: number
  /** It is on the network, but nobody has added it to the application. */
  isHidden?: boolean
  /** It was renamed in the last days: under this handle and name the application knows it until it asks again. */
  formerHandle?: string
}

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

/** The listings of places as profiles; that of the north pier stands among the others. */
const LISTINGS: readonly DemoProfile[] = PLACES.filter(({ handle }) => handle !== 'kittiwake-north-pier').map(
  ({ client, handle, remoteId, views, growthPerYear, record }) => ({
    client,
    network: 'waymark',
    handle,
    name: record.name,
    remoteId,
    followers: 0,
    growthPerYear,
    background: views,
    postsPerWeek: 0,
    impressionsPerPost: 300,
    rate: 0.02,
    connected: true,
  }),
)

export const PROFILES: readonly DemoProfile[] = [
  {
    client: 'mossgate-gardens',
    network: 'commons',
    handle: 'mossgategardens',
    name: 'Mossgate Gardens',
    remoteId: '10220431877650213',
    followers: 18_204,
    growthPerYear: 0.08,
    background: 1450,
    postsPerWeek: 4,
    impressionsPerPost: 1900,
    rate: 0.031,
    connected: true,
  },
  {
    client: 'mossgate-gardens',
    network: 'tintype',
    handle: '@mossgate',
    name: '@mossgate',
    remoteId: '17841400518844102',
    followers: 24_881,
    growthPerYear: 0.21,
    background: 2300,
    postsPerWeek: 6,
    impressionsPerPost: 2900,
    rate: 0.048,
    connected: true,
  },
  {
    client: 'mossgate-gardens',
    network: 'commons',
    handle: 'teaatmossgate',
    name: 'Tea at Mossgate',
    remoteId: '10220431877650987',
    followers: 4418,
    growthPerYear: 0.03,
    background: 420,
    postsPerWeek: 3.5,
    impressionsPerPost: 510,
    rate: 0.024,
    connected: true,
  },
  {
    client: 'mossgate-gardens',
    network: 'tintype',
    handle: '@mossgate.nursery',
    name: '@mossgate.nursery',
    remoteId: '17841400518877416',
    followers: 2960,
    growthPerYear: 0.4,
    background: 260,
    postsPerWeek: 3,
    impressionsPerPost: 640,
    rate: 0.055,
    connected: false,
  },
  {
    client: 'kittiwake-line',
    network: 'commons',
    handle: 'kittiwakeline',
    name: 'Kittiwake Line',
    remoteId: '10220977104432018',
    followers: 9630,
    growthPerYear: 0.05,
    background: 980,
    postsPerWeek: 5,
    impressionsPerPost: 1150,
    rate: 0.022,
    connected: true,
  },
  {
    client: 'kittiwake-line',
    network: 'tintype',
    handle: '@kittiwakeline',
    name: '@kittiwakeline',
    remoteId: '17841401290077352',
    followers: 7745,
    growthPerYear: 0.17,
    background: 700,
    postsPerWeek: 4,
    impressionsPerPost: 1280,
    rate: 0.041,
    connected: true,
  },
  {
    client: 'orrery-press',
    network: 'commons',
    handle: 'orrerypress',
    name: 'Orrery Press',
    remoteId: '10221300650045581',
    followers: 31_870,
    growthPerYear: 0.06,
    background: 2600,
    postsPerWeek: 5,
    impressionsPerPost: 2400,
    rate: 0.027,
    connected: true,
  },
  {
    client: 'orrery-press',
    network: 'tintype',
    handle: '@orrerypress',
    name: '@orrerypress',
    remoteId: '17841402210093377',
    followers: 12_410,
    growthPerYear: 0.28,
    background: 1100,
    postsPerWeek: 5,
    impressionsPerPost: 1950,
    rate: 0.052,
    connected: true,
  },
  {
    client: 'mossgate-gardens',
    network: 'zoetrope',
    handle: 'mossgate.clips',
    name: 'mossgate.clips',
    remoteId: '70311928840021775',
    followers: 9310,
    growthPerYear: 0.9,
    background: 1900,
    postsPerWeek: 3,
    impressionsPerPost: 6200,
    rate: 0.057,
    connected: true,
  },
  {
    client: 'mossgate-gardens',
    network: 'lantern',
    handle: 'mossgatefilms',
    name: 'Mossgate Films',
    remoteId: '30190044716520831',
    followers: 3122,
    growthPerYear: 0.12,
    background: 240,
    postsPerWeek: 0.5,
    impressionsPerPost: 2600,
    rate: 0.03,
    connected: true,
  },
  {
    client: 'mossgate-gardens',
    network: 'guildhall',
    handle: 'mossgate-gardens',
    name: 'Mossgate Gardens',
    remoteId: '50077120394418266',
    followers: 1540,
    growthPerYear: 0.18,
    background: 60,
    postsPerWeek: 1,
    impressionsPerPost: 480,
    rate: 0.026,
    connected: true,
  },
  {
    client: 'mossgate-gardens',
    network: 'murmur',
    handle: '@mossgate',
    name: '@mossgate',
    remoteId: '61120930075418823',
    followers: 2206,
    growthPerYear: -0.04,
    background: 130,
    postsPerWeek: 5,
    impressionsPerPost: 190,
    rate: 0.019,
    connected: true,
  },
  {
    client: 'kittiwake-line',
    network: 'commons',
    handle: 'kittiwakejobs',
    name: 'Kittiwake Crew',
    remoteId: '10220977104439120',
    followers: 1120,
    growthPerYear: 0.1,
    background: 70,
    postsPerWeek: 1,
    impressionsPerPost: 260,
    rate: 0.028,
    connected: true,
  },
  {
    client: 'kittiwake-line',
    network: 'tintype',
    handle: '@kittiwake.crew',
    name: '@kittiwake.crew',
    remoteId: '17841401290079981',
    followers: 980,
    growthPerYear: 0.22,
    background: 90,
    postsPerWeek: 2,
    impressionsPerPost: 310,
    rate: 0.05,
    connected: true,
  },
  {
    client: 'kittiwake-line',
    network: 'murmur',
    handle: '@kittiwakeline',
    name: '@kittiwakeline',
    remoteId: '61120931188420017',
    followers: 4411,
    growthPerYear: 0.02,
    background: 420,
    postsPerWeek: 14,
    impressionsPerPost: 340,
    rate: 0.012,
    connected: true,
  },
  {
    client: 'kittiwake-line',
    network: 'zoetrope',
    handle: 'kittiwake',
    name: 'kittiwake',
    remoteId: '70311928846650912',
    followers: 2075,
    growthPerYear: 0.7,
    background: 380,
    postsPerWeek: 2,
    impressionsPerPost: 2100,
    rate: 0.05,
    connected: true,
  },
  {
    client: 'kittiwake-line',
    network: 'waymark',
    handle: 'kittiwake-north-pier',
    name: 'North Pier',
    remoteId: '80010402277519034',
    followers: 0,
    growthPerYear: 0,
    background: 620,
    postsPerWeek: 0.5,
    impressionsPerPost: 300,
    rate: 0.02,
    connected: true,
  },
  {
    client: 'orrery-press',
    network: 'lantern',
    handle: 'orrerypress',
    name: 'Orrery Films',
    remoteId: '30190044719907254',
    followers: 8840,
    growthPerYear: 0.25,
    background: 900,
    postsPerWeek: 1,
    impressionsPerPost: 5200,
    rate: 0.034,
    connected: true,
  },
  {
    client: 'orrery-press',
    network: 'guildhall',
    handle: 'orrery-press',
    name: 'Orrery Press',
    remoteId: '50077120397720310',
    followers: 2930,
    growthPerYear: 0.14,
    background: 110,
    postsPerWeek: 1.5,
    impressionsPerPost: 690,
    rate: 0.021,
    connected: true,
  },
  {
    client: 'orrery-press',
    network: 'murmur',
    handle: '@orrery',
    name: '@orrery',
    remoteId: '61120932240075566',
    followers: 6120,
    growthPerYear: 0.03,
    background: 350,
    postsPerWeek: 9,
    impressionsPerPost: 410,
    rate: 0.016,
    connected: true,
  },
  {
    client: 'orrery-press',
    network: 'cork',
    handle: 'orrerypress',
    name: 'Orrery Press',
    remoteId: '40450019883320617',
    followers: 5240,
    growthPerYear: 0.31,
    background: 1600,
    postsPerWeek: 4,
    impressionsPerPost: 900,
    rate: 0.024,
    connected: true,
  },
  {
    client: 'mossgate-gardens',
    network: 'commons',
    handle: 'thornapplepark',
    name: 'Thornapple Park',
    remoteId: '10220611208840031',
    followers: 26_310,
    growthPerYear: 0.04,
    background: 2100,
    postsPerWeek: 6,
    impressionsPerPost: 2300,
    rate: 0.026,
    connected: false,
    rival: 'Thornapple Park',
  },
  {
    client: 'mossgate-gardens',
    network: 'tintype',
    handle: '@thornapplepark',
    name: '@thornapplepark',
    remoteId: '17841400900217733',
    followers: 31_940,
    growthPerYear: 0.11,
    background: 2700,
    postsPerWeek: 7,
    impressionsPerPost: 3300,
    rate: 0.039,
    faster: { days: 91, growthPerYear: 0.75 },
    connected: false,
    rival: 'Thornapple Park',
  },
  {
    client: 'mossgate-gardens',
    network: 'tintype',
    handle: '@glassfernery',
    name: '@glassfernery',
    remoteId: '17841400900254418',
    followers: 5120,
    growthPerYear: 1.6,
    background: 700,
    postsPerWeek: 9,
    impressionsPerPost: 1700,
    rate: 0.071,
    connected: false,
    rival: 'The Glass Fernery',
  },
  {
    client: 'mossgate-gardens',
    network: 'zoetrope',
    handle: 'glassfernery',
    name: 'glassfernery',
    remoteId: '70311929910043370',
    followers: 4480,
    growthPerYear: 2.4,
    background: 900,
    postsPerWeek: 6,
    impressionsPerPost: 5200,
    rate: 0.068,
    connected: false,
    rival: 'The Glass Fernery',
  },
  {
    client: 'mossgate-gardens',
    network: 'commons',
    handle: 'bellweatherarboretum',
    name: 'Bellweather Arboretum',
    remoteId: '10220611208899514',
    followers: 14_760,
    growthPerYear: 0.01,
    background: 900,
    postsPerWeek: 2,
    impressionsPerPost: 1200,
    rate: 0.019,
    connected: false,
    rival: 'Bellweather Arboretum',
  },
  {
    client: 'mossgate-gardens',
    network: 'lantern',
    handle: 'bellweather',
    name: 'Bellweather Films',
    remoteId: '30190044718120664',
    followers: 1870,
    growthPerYear: 0.05,
    background: 120,
    postsPerWeek: 0.5,
    impressionsPerPost: 1500,
    rate: 0.024,
    begins: 150,
    connected: false,
    rival: 'Bellweather Arboretum',
  },
  {
    client: 'kittiwake-line',
    network: 'commons',
    handle: 'skerrysails',
    name: 'Skerry Sails',
    remoteId: '10220988120045510',
    followers: 11_890,
    growthPerYear: 0.07,
    background: 1100,
    postsPerWeek: 4,
    impressionsPerPost: 1300,
    rate: 0.025,
    connected: false,
    rival: 'Skerry Sails',
  },
  {
    client: 'kittiwake-line',
    network: 'tintype',
    handle: '@skerrysails',
    name: '@skerrysails',
    remoteId: '17841401344081127',
    followers: 10_220,
    growthPerYear: 0.24,
    background: 980,
    postsPerWeek: 5,
    impressionsPerPost: 1600,
    rate: 0.044,
    connected: false,
    rival: 'Skerry Sails',
  },
  {
    client: 'kittiwake-line',
    network: 'commons',
    handle: 'bluecormorant',
    name: 'Blue Cormorant Boats',
    remoteId: '10220988120077031',
    followers: 6240,
    growthPerYear: -0.02,
    background: 420,
    postsPerWeek: 2,
    impressionsPerPost: 700,
    rate: 0.018,
    connected: false,
    rival: 'Blue Cormorant Boats',
  },
  {
    client: 'kittiwake-line',
    network: 'murmur',
    handle: '@bluecormorant',
    name: '@bluecormorant',
    remoteId: '61120931190066214',
    followers: 1980,
    growthPerYear: 0.05,
    background: 160,
    postsPerWeek: 6,
    impressionsPerPost: 210,
    rate: 0.014,
    connected: false,
    rival: 'Blue Cormorant Boats',
  },
  {
    client: 'orrery-press',
    network: 'commons',
    handle: 'lodestonemonthly',
    name: 'Lodestone Monthly',
    remoteId: '10221300777012260',
    followers: 54_100,
    growthPerYear: 0.03,
    background: 3600,
    postsPerWeek: 6,
    impressionsPerPost: 3900,
    rate: 0.019,
    connected: false,
    rival: 'Lodestone Monthly',
  },
  {
    client: 'orrery-press',
    network: 'tintype',
    handle: '@lodestonemonthly',
    name: '@lodestonemonthly',
    formerHandle: '@lodestonemag',
    remoteId: '17841402277018840',
    followers: 20_960,
    growthPerYear: 0.09,
    background: 1500,
    postsPerWeek: 4,
    impressionsPerPost: 2300,
    rate: 0.036,
    connected: false,
    rival: 'Lodestone Monthly',
  },
  {
    client: 'orrery-press',
    network: 'tintype',
    handle: '@littlesextant',
    name: '@littlesextant',
    remoteId: '17841402277054162',
    followers: 8310,
    growthPerYear: 0.9,
    background: 900,
    postsPerWeek: 8,
    impressionsPerPost: 2100,
    rate: 0.062,
    connected: false,
    rival: 'Little Sextant',
  },
  {
    client: 'orrery-press',
    network: 'zoetrope',
    handle: 'littlesextant',
    name: 'littlesextant',
    remoteId: '70311930055120048',
    followers: 6070,
    growthPerYear: 1.3,
    background: 1100,
    postsPerWeek: 5,
    impressionsPerPost: 4800,
    rate: 0.06,
    connected: false,
    rival: 'Little Sextant',
  },
  {
    client: 'orrery-press',
    network: 'commons',
    handle: 'papercomet',
    name: 'Paper Comet',
    remoteId: '10221300777066925',
    followers: 9480,
    growthPerYear: 0.12,
    background: 700,
    postsPerWeek: 3,
    impressionsPerPost: 1100,
    rate: 0.03,
    connected: false,
    rival: 'Paper Comet',
  },
  {
    client: 'orrery-press',
    network: 'cork',
    handle: 'papercomet',
    name: 'Paper Comet',
    remoteId: '40450019884410276',
    followers: 7330,
    growthPerYear: 0.22,
    background: 1900,
    postsPerWeek: 5,
    impressionsPerPost: 980,
    rate: 0.022,
    connected: false,
    rival: 'Paper Comet',
  },
  {
    client: 'mossgate-gardens',
    network: 'commons',
    handle: 'glassfernery',
    name: 'The Glass Fernery',
    remoteId: '10220611208834172',
    followers: 640,
    growthPerYear: 3,
    background: 80,
    postsPerWeek: 3,
    impressionsPerPost: 420,
    rate: 0.05,
    connected: false,
    rival: 'The Glass Fernery',
    isHidden: true,
  },
  {
    client: 'mossgate-gardens',
    network: 'cork',
    handle: 'mossgategardens',
    name: 'Mossgate Gardens',
    remoteId: '40450019881120093',
    followers: 412,
    growthPerYear: 0.02,
    background: 90,
    postsPerWeek: 0.2,
    impressionsPerPost: 120,
    rate: 0.018,
    connected: false,
    isHidden: true,
  },
  {
    client: 'mossgate-gardens',
    network: 'guildhall',
    handle: 'mossgate',
    name: 'Mossgate Joinery',
    remoteId: '50077120399004471',
    followers: 288,
    growthPerYear: 0.03,
    background: 20,
    postsPerWeek: 0.3,
    impressionsPerPost: 90,
    rate: 0.02,
    connected: false,
    isHidden: true,
  },
  {
    client: 'kittiwake-line',
    network: 'cork',
    handle: 'kittiwakeline',
    name: 'Kittiwake Line',
    remoteId: '40450019881177340',
    followers: 166,
    growthPerYear: 0.01,
    background: 40,
    postsPerWeek: 0.1,
    impressionsPerPost: 80,
    rate: 0.015,
    connected: false,
    isHidden: true,
  },
  {
    client: 'kittiwake-line',
    network: 'lantern',
    handle: 'kittiwakeline',
    name: 'Kittiwake Line',
    remoteId: '30190044713300217',
    followers: 540,
    growthPerYear: 0.04,
    background: 60,
    postsPerWeek: 0.2,
    impressionsPerPost: 900,
    rate: 0.02,
    connected: false,
    isHidden: true,
  },
  {
    client: 'orrery-press',
    network: 'zoetrope',
    handle: 'orrerypress',
    name: 'Orrery clips',
    remoteId: '70311930051177402',
    followers: 95,
    growthPerYear: 0.1,
    background: 30,
    postsPerWeek: 0.1,
    impressionsPerPost: 300,
    rate: 0.03,
    connected: false,
    isHidden: true,
  },
  ...NEIGHBOURS,
  ...LISTINGS,
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
  'www.mossgate.example': `<!doctype html><html lang="en"><head><meta charset="utf-8"><title>Mossgate Gardens</title></head><body>
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
