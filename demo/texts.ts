import type { DemoProfile } from './profiles'
import { linkIn } from './links'
import { unit } from './random'

/** Under this hashtag one rival gives seeds away, which people like. */
export const SWAP_HASHTAG = '#seedswap'

/** What a client writes about: how a text begins, what it is about, how it ends, and its hashtags. */
interface Voice {
  beginnings: readonly string[]
  subjects: readonly string[]
  endings: readonly string[]
  hashtags: readonly string[]
  site: string
}

/** Texts that stand as they are; they came before anything was put together. */
const WHOLE: Record<string, readonly string[]> = {
  'mossgate-gardens': [
    'The fern house opens an hour early this week.',
    'Which rose is your favourite of the year?',
    'Lanterns along the long walk tonight.',
    'First snowdrops under the old lime.',
    'A morning in the walled garden, before the gates open.',
    'The tea room has plum cake again.',
  ],
  'kittiwake-line': [
    'Calm seas and a clear view of the lighthouse.',
    'The timetable changes on Monday.',
    'Seals off the north pier this morning.',
    'Meet the crew of the early boat.',
  ],
  'orrery-press': [
    'Why does the moon look larger near the horizon?',
    'Build a sundial from a paper plate.',
    'This month: everything about tides.',
    'A reader asks how far away the stars are.',
  ],
}

const VOICES: Record<string, Voice> = {
  'mossgate-gardens': {
    beginnings: [
      'Look closer:',
      'This week:',
      'Before breakfast,',
      'From our gardeners:',
      'Only here:',
      'After the rain,',
    ],
    subjects: [
      'the ferns are unrolling in the glass house',
      'eleven kinds of moss on one old wall',
      'the pond is full of newts',
      'the kitchen garden has its first beans',
      'the old pear tree is in flower',
      'somebody has to oil four hundred flower pots',
      'a robin has moved into the potting shed',
      'the rose border has never been so late',
      'a new bench under the copper beech',
      'the bees have found the lavender',
      'two hundred tulip bulbs and one trowel',
      'the glass house smells of lemons',
      'mist over the lower lawn',
      'somebody has knitted a scarf for the statue',
      'the compost is warm enough to bake in',
      'the oldest fern has a new frond',
    ],
    endings: ['🌿', 'Come and see.', 'Open until six.', 'Bring a coat ☔', 'Tell us yours below.', ''],
    hashtags: ['#mossgate', '#gardens', '#fernhouse', '#slowmorning', '#fromthebeds'],
    site: 'www.mossgate.example/visit',
  },
  'kittiwake-line': {
    beginnings: ['On deck:', 'This morning,', 'Good to know:', 'From the bridge:', 'Weekend sailings:'],
    subjects: [
      'porpoises beside the boat for a whole mile',
      'room for ten more bicycles on the noon boat',
      'a new coat of paint for the ticket hut',
      'the tide lets us call at the east landing',
      'dogs travel free until the end of the month',
      'fog again, so the first boat waits an hour',
      'lost: one red mitten, found: three blue ones',
      'the school of Port Farrow came along',
      'the first boat on Sunday leaves at eight',
      'gannets diving off the point',
      'a piano on board, and somebody who can play it',
      'new life jackets in children’s sizes',
      'the captain’s bread recipe, at last',
      'swell from the west, so hold on to your tea',
      'a wedding party on the evening boat',
      'how we turn round in a harbour this small',
    ],
    endings: ['⚓', 'See you on board.', 'Times on our site.', 'Thank you for waiting.', '🌊', ''],
    hashtags: ['#kittiwakeline', '#ferry', '#farrowisles', '#ondeck'],
    site: 'www.kittiwakeline.example/times',
  },
  'orrery-press': {
    beginnings: ['Try this at home:', 'Ask us anything:', 'New in the magazine:', 'Did you notice?', 'For rainy days:'],
    subjects: [
      'weigh a cloud with a kitchen scale',
      'why an echo comes back',
      'a map of the moon to colour in',
      'how a spider knows that somebody is at home',
      'how a needle on a cork finds the north',
      'which planet would float in a bathtub',
      'how to count the rings of a tree that still stands',
      'make ink from an oak gall',
      'why bread has holes',
      'listen to the sea in a cardboard tube',
      'what a snail does in winter',
      'a calendar of meteors to cut out',
      'how heavy the air in your room is',
      'grow a crystal on a thread',
      'why stars twinkle and planets do not',
      'build a barometer from a jam jar',
    ],
    endings: ['🔭', 'Answers on Friday.', 'Send us a picture.', 'Page twelve.', '🪐', ''],
    hashtags: ['#orrery', '#sciencekids', '#tryathome', '#nightsky'],
    site: 'orrerypress.example/try',
  },
}

/** The hashtags of rivals beside their name: some are everybody's, one nobody else has. */
const RIVAL_HASHTAGS: Readonly<Record<string, readonly string[]>> = {
  'Thornapple Park': ['#gardens', '#slowmorning'],
  'The Glass Fernery': ['#fernhouse', SWAP_HASHTAG],
  'Bellweather Arboretum': ['#gardens'],
}

/** A hashtag that a rival has begun to use in its last weeks. */
const BEGUN_HASHTAG: Readonly<Record<string, string>> = { 'Paper Comet': '#cometclub' }

/** A rival that has taken to lantern nights of its own. */
export const LANTERN_RIVAL = 'Thornapple Park'

/** What is written while a garden is open at night, in either of two years. */
const NIGHTS = [
  'Night opening on Friday: two hundred lanterns, one walk, soup at the gate.',
  'How we hang the lanterns: a ladder, a lot of string, one brave apprentice.',
  'The night opening is nearly full. The last tickets are at the gate. 🏮',
  'Lanterns along the long walk, and a moon on top of it.',
  'Thank you for coming to the night opening. Which lantern was yours?',
]

const pick = <T>(from: readonly T[], ...key: (string | number)[]): T => from[Math.floor(unit(...key) * from.length)]!

/**
 * What a post says: a whole text or one put together, with hashtags, now and then a link; around a night opening often
 * about that.
 *
 * @param isNight  whether the day lies around a night opening of its own
 * @param isLate   whether it is written in the last weeks, in which one rival has a new hashtag
 */
export function textOf(
  profile: DemoProfile,
  key: readonly (string | number)[],
  { isNight, isLate }: { isNight: boolean; isLate: boolean },
): string {
  if (isNight && unit(...key, 'night') < (profile.rival ? 0.15 : 0.45))
    return `${pick(NIGHTS, ...key, 'night text')} #nightopening${unit(...key, 'lanterns') < 0.6 ? ' #lanterns' : ''}`
  const whole = WHOLE[profile.client]!
  const voice = VOICES[profile.client]!
  const said =
    unit(...key, 'whole') < 0.2
      ? pick(whole, ...key, 'text')
      : [pick(voice.beginnings, ...key, 'begin'), pick(voice.subjects, ...key, 'subject')].join(' ') +
        (unit(...key, 'dot') < 0.7 ? '. ' : '! ') +
        pick(voice.endings, ...key, 'end')
  // rivals write of the same things, under a name of their own, and lead to nothing of the client’s
  const begun = isLate && profile.rival ? BEGUN_HASHTAG[profile.rival] : undefined
  const hashtags = begun
    ? [begun]
    : profile.rival
      ? [`#${profile.rival.toLowerCase().replaceAll(' ', '')}`, ...(RIVAL_HASHTAGS[profile.rival] ?? [])]
      : voice.hashtags
  const tags = unit(...key, 'tags') < 0.6 ? ` ${pick(hashtags, ...key, 'tag 1')}` : ''
  if (profile.rival) return `${said.trim()}${tags}`
  const chance = unit(...key, 'link')
  const link = chance < 0.08 ? ` ${linkIn(profile.client)}` : chance < 0.15 ? ` https://${voice.site}` : ''
  return `${said.trim()}${tags}${link}`
}
