/** What a review can be about. */
export const SUBJECTS = [
  { id: 'service', name: 'Service' },
  { id: 'food', name: 'Food and drink' },
  { id: 'price', name: 'Price' },
  { id: 'waiting', name: 'Waiting' },
  { id: 'punctuality', name: 'Punctuality' },
  { id: 'cleanliness', name: 'Cleanliness' },
  { id: 'access', name: 'Way and access' },
  { id: 'offer', name: 'What there is to see or buy' },
] as const
export type Subject = (typeof SUBJECTS)[number]['id']
export const SUBJECT_IDS: readonly string[] = SUBJECTS.map(({ id }) => id)

/** How a review sounds. */
export const MOODS = [
  { id: 'good', name: 'Good' },
  { id: 'mixed', name: 'Mixed' },
  { id: 'bad', name: 'Bad' },
  { id: 'plain', name: 'Plain' },
] as const
export type Mood = (typeof MOODS)[number]['id']
export const MOOD_IDS: readonly string[] = MOODS.map(({ id }) => id)

/** The languages whose words are known, BCP 47. */
export const READ_LANGUAGES = ['en', 'de', 'fr'] as const
type ReadLanguage = (typeof READ_LANGUAGES)[number]

/**
 * Words by what they are about: small letters without accents; one that ends with `*` stands for all that begin with it.
 * Our own lists, by common practice.
 */
const SUBJECT_WORDS: Readonly<Record<ReadLanguage, Readonly<Record<Subject, string>>>> = {
  en: {
    service: 'staff service friendly rude helpful waiter* waitress* welcome* crew polite personal answer*',
    food: 'tea coffee cake* scone* food meal* lunch breakfast sandwich* soup kitchen drink*',
    price: 'price* expensive cheap overpriced cost* pricey money fare*',
    waiting: 'queue* wait* slow line hour hours minutes',
    punctuality: 'late delay* punctual cancelled timetable*',
    cleanliness: 'clean dirty toilet* filthy spotless',
    access: 'parking path* steep wheelchair* pram* sign* bus step-free steps',
    offer: 'garden* plant* flower* glasshouse* fern* view* boat* ferry ferries shop selection seat*',
  },
  de: {
    service:
      'bedienung freundlich* unfreundlich* hilfsbereit* hoflich* unhoflich* mitarbeiter* personal empfang besatzung',
    food: 'tee kaffee kuchen essen fruhstuck mittagessen suppe kuche scones getrank*',
    price: 'preis* teuer* uberteuert gunstig* billig* kostet kosten geld',
    waiting: 'schlange warte* gewartet langsam* stunde* minuten',
    punctuality: 'verspat* punktlich* unpunktlich* ausgefallen fahrplan',
    cleanliness: 'sauber* dreckig* schmutz* toilette*',
    access: 'parkplatz* weg wege steil* rollstuhl* kinderwagen beschilder* bus stufen',
    offer: 'garten pflanz* blume* gewachshaus* farn* aussicht fahre schiff boot auswahl laden sitzplatz*',
  },
  fr: {
    service: 'personnel accueil* serveu* service aimable* serviable* equipage impoli* poli polie',
    food: 'the cafe gateau* repas dejeuner soupe cuisine boisson* scones',
    price: 'prix cher chere chers couteu* argent tarif*',
    waiting: 'attente attend* queue file lent* heure heures minutes',
    punctuality: 'retard* ponctuel* annule* horaire*',
    cleanliness: 'propre* sale sales salete toilette*',
    access: 'parking chemin* fauteuil poussette* raide* panneau* bus marches',
    offer: 'jardin* plante* fleur* serre* fougere* vue bateau* ferry choix boutique',
  },
}

const GOOD: Readonly<Record<ReadLanguage, string>> = {
  en:
    'lovely great good wonderful beautiful excellent friendly helpful perfect best delicious love loved enjoyed recommend* ' +
    'spotless clean punctual polite quick warm cheap kind',
  de:
    'schon schone* toll* gut gute* wunderbar* wunderschon* ausgezeichnet* freundlich* hilfsbereit* perfekt* lecker* ' +
    'liebevoll* empfehl* sauber* punktlich* schnell* gunstig* hoflich*',
  fr:
    'beau belle beaux belles bon bonne bons bonnes excellent* merveilleu* aimable* delicieu* parfait* recommand* propre* ' +
    'ponctuel* serviable* agreable* rapide* magnifique*',
}
const BAD: Readonly<Record<ReadLanguage, string>> = {
  en:
    'bad rude slow dirty cold expensive overpriced disappoint* awful terrible worst late cancelled filthy poor wrong closed ' +
    'waste broken',
  de:
    'schlecht* unfreundlich* langsam* dreckig* schmutz* kalt* teuer* uberteuert enttausch* furchtbar* schlimm* verspat* ' +
    'ausgefallen falsch* geschlossen* unhoflich* unpunktlich* kaputt*',
  fr:
    'mauvais* impoli* lent* sale sales froid* cher chere chers decev* decu* horrible* pire retard* annule* ferme fermee faux ' +
    'fausse casse*',
}
/** Words before one that turn it round; an English verb that ends with n’t is one, with its apostrophe or without. */
const NOT: Readonly<Record<ReadLanguage, ReadonlySet<string>>> = {
  en: new Set(
    (
      'not no never hardly nothing nobody none neither nor without cannot lack lacks lacked isnt wasnt arent werent dont ' +
      'doesnt didnt cant couldnt wouldnt wont shouldnt havent hasnt hadnt aint'
    ).split(' '),
  ),
  de: new Set('nicht kein keine keinen keinem keiner nie niemals niemand nichts kaum ohne weder keineswegs'.split(' ')),
  fr: new Set('pas jamais aucun aucune peu rien sans ni guere'.split(' ')),
}
/** Up to how many words a turning word reaches, within its part of the sentence. */
const NOT_WITHIN = 5
/** Words that begin another thought, so that what was turned round before them is over. */
const TURN_OVER: Readonly<Record<ReadLanguage, ReadonlySet<string>>> = {
  en: new Set(['but', 'however', 'although', 'though', 'yet', 'except']),
  de: new Set(['aber', 'sondern', 'doch', 'jedoch', 'obwohl', 'dafur']),
  fr: new Set(['mais', 'cependant', 'pourtant', 'sauf']),
}
/** “Not only good” is good. */
const ONLY: Readonly<Record<ReadLanguage, string>> = { en: 'only', de: 'nur', fr: 'seulement' }
/** What cannot be done enough, in English. */
const CANNOT: ReadonlySet<string> = new Set(['cannot', 'cant', 'couldnt'])
const MORE: ReadonlySet<string> = new Set(['more', 'enough', 'highly', 'better'])
/** What ends the reach of a turning word: the end of a sentence or of a part of it. */
const STOP = '.'

/** Whether a word is one of a list. */
function matcher(words: string): (word: string) => boolean {
  const all = words.split(' ')
  const whole = new Set(all.filter((word) => !word.endsWith('*')))
  const stems = all.filter((word) => word.endsWith('*')).map((word) => word.slice(0, -1))
  return (word) => whole.has(word) || stems.some((stem) => word.startsWith(stem))
}
/** What one word says. */
interface WordMeaning {
  isGood: boolean
  isBad: boolean
  isNot: boolean
  /** Whether nothing that was turned round before it is turned round after it. */
  isStop: boolean
  /** Whether it takes the turn from a turning word just before it. */
  isOnly: boolean
  /** “Could not … enough”: what is praised without end. */
  isCannot: boolean
  isMore: boolean
  subjects: readonly Subject[]
}
/** Words that were met are remembered, up to so many in a language. */
const MOST_REMEMBERED = 20_000

function meaningIn(language: ReadLanguage): (word: string) => WordMeaning {
  const [isGood, isBad] = [matcher(GOOD[language]), matcher(BAD[language])]
  const about = SUBJECTS.map(({ id }) => [id, matcher(SUBJECT_WORDS[language][id])] as const)
  const known = new Map<string, WordMeaning>()
  return (word) => {
    let meaning = known.get(word)
    if (!meaning) {
      meaning = {
        isGood: isGood(word),
        isBad: isBad(word),
        isNot: NOT[language].has(word),
        isStop: word === STOP || TURN_OVER[language].has(word),
        isOnly: word === ONLY[language],
        isCannot: CANNOT.has(word),
        isMore: MORE.has(word),
        subjects: about.flatMap(([id, isAbout]) => (isAbout(word) ? [id] : [])),
      }
      if (known.size >= MOST_REMEMBERED) known.clear()
      known.set(word, meaning)
    }
    return meaning
  }
}
const MEANINGS: Readonly<Record<string, (word: string) => WordMeaning>> = Object.fromEntries(
  READ_LANGUAGES.map((language) => [language, meaningIn(language)]),
)

/** A text as words in small letters without accents and apostrophes within, and a point for each end of a part of it. */
const wordsOf = (text: string): string[] =>
  text
    .normalize('NFD')
    .replaceAll(/\p{M}/gu, '')
    .toLowerCase()
    .replaceAll(/(?<=n)['’ʼ‘`](?=t\b)/gu, '')
    .replaceAll(/[.,!?;:…\n]+/gu, ` ${STOP} `)
    .split(/[^\p{L}.-]+/u)
    .filter((word) => word !== '')

/** Whether what stands at a place is turned round: by a turning word before it, within its part of the sentence. */
function isTurnedAt(words: readonly WordMeaning[], index: number): boolean {
  for (let before = index - 1; before >= Math.max(0, index - NOT_WITHIN); before--) {
    const { isStop, isNot, isCannot } = words[before]!
    if (isStop) return false
    if (isNot) return !words[before + 1]!.isOnly && !(isCannot && isMoreAfter(words, before))
  }
  return false
}

/** “Could not recommend it more” is praise. */
function isMoreAfter(words: readonly WordMeaning[], index: number): boolean {
  for (const { isStop, isMore } of words.slice(index + 1, index + 2 + NOT_WITHIN)) {
    if (isStop) return false
    if (isMore) return true
  }
  return false
}

/** What a review is about and how it sounds, by its words. */
export interface About {
  subjects: Subject[]
  mood: Mood
}

/**
 * What a review is about and how it sounds, by its words alone: good and bad words, turned round by a word such as “not”
 * shortly before. Stars are left out, and irony is taken at its word: somebody who reads it can say otherwise, and that
 * counts.
 *
 * @param language  BCP 47, by its first part
 * @returns         undefined where the words of the language are not known
 * @example reviewAbout('The tea was not good, but the crew was friendly.', 'en')
 * // { subjects: ['service', 'food'], mood: 'mixed' }
 */
export function reviewAbout(text: string, language: string): About | undefined {
  const meaning = MEANINGS[language.toLowerCase().split('-')[0]!]
  if (!meaning) return undefined
  const words = wordsOf(text).map(meaning)
  const met = new Set(words.flatMap(({ subjects }) => subjects))
  const subjects = SUBJECTS.flatMap(({ id }) => (met.has(id) ? [id] : []))
  let [good, bad] = [0, 0]
  words.forEach(({ isGood, isBad }, index) => {
    if (!isGood && !isBad) return
    if (isGood !== isTurnedAt(words, index)) good++
    else bad++
  })
  const mood = good > 0 && bad > 0 ? 'mixed' : good > 0 ? 'good' : bad > 0 ? 'bad' : 'plain'
  return { subjects, mood }
}
