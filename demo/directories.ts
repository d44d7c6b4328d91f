import { DIRECTORIES, LISTINGS } from '../core/directories/directoryList'
import { ENTRY_FIELDS, withText } from '../core/directories/entryFields'
import { spokenPhone } from '../core/places/phone'
import { EMPTY_PLACE, type PlaceRecord } from '../core/places/place'
import type { FoundEntry } from '../shared/read/directories'
import { TOWNS } from './isles'
import { PLACES, type DemoPlace } from './places'
import { unit } from './random'

/** What a directory has otherwise than it is, place by place: null where it has no entry. */
type Otherwise = Readonly<Record<string, Partial<PlaceRecord> | null>>

/** The number that a stranger has written into the listing of the main gate, and who that was. */
export const STRANGERS_PHONE = '+44 1632 960199'
const STRANGER = 'a visitor who is not known'
export const STRANGERS_PLACE = 'mossgate-main-gate'

/** Last year's hours, with last year's Christmas. */
const LAST_YEAR = {
  'mossgate-main-gate': { hours: 'Mo-Fr 09:30-16:30; Sa-Su 10:00-17:00; 2025 Dec 25-2025 Dec 26 off' },
  'mossgate-tea-rooms': { hours: 'Mo-Tu off; We-Su 10:00-16:00' },
  'mossgate-glasshouse': { hours: 'May-Sep 10:00-18:00; Oct-Apr 10:00-15:00' },
  'mossgate-plant-shop': { hours: 'Mo-Sa 09:30-17:00; Su off' },
  'mossgate-quay-kiosk': { hours: 'Mo-Su 08:30-13:30' },
} as const

const OTHERWISE: Readonly<Record<string, Otherwise>> = {
  [LISTINGS]: { [STRANGERS_PLACE]: { phone: STRANGERS_PHONE } },
  'townbook': {
    'mossgate-plant-shop': { web: 'https://www.mossgate.example/old-shop', categories: ['garden centre', 'florist'] },
    'mossgate-quay-kiosk': { description: '', hours: '' },
    'kittiwake-withy-steps': { hours: 'Mo-Su 08:00-19:00' },
  },
  'islepages': LAST_YEAR,
  'dial-and-door': {
    'mossgate-glasshouse': null,
    'mossgate-plant-shop': { street: '21 Quay Street' },
    'kittiwake-oster-quay': { phone: '+44 1632 960135' },
  },
  'pilot-index': {
    'mossgate-quay-kiosk': null,
    'kittiwake-oster-quay': null,
    'mossgate-main-gate': { lat: 49.6691, lon: -8.0318, categories: ['park'] },
    'mossgate-tea-rooms': { name: 'Moss Gate Tearoom', categories: ['café'] },
  },
}

/** A second entry of a place that a directory has already, from before it moved. */
const DOUBLES = [
  {
    directory: 'dial-and-door',
    handle: 'mossgate-tea-rooms',
    record: { name: 'Mossgate Tea Room', street: '1 Fern Walk', hours: '', web: '' },
  },
]

/** What a directory writes in its own manner, meaning the same. */
function inItsManner(directory: string, record: PlaceRecord): PlaceRecord {
  const manner: Partial<PlaceRecord> =
    directory === 'townbook'
      ? { phone: record.phone.replace('+44', '0'), web: record.web.replace('https://www.', 'http://') }
      : directory === 'dial-and-door'
        ? { street: record.street.replace('Street', 'St').replace('Walk', 'Wk'), phone: spokenPhone(record.phone) }
        : directory === 'pilot-index'
          ? { name: record.name.toUpperCase(), postcode: record.postcode.replace(' ', '') }
          : {}
  return { ...record, ...manner }
}

/** A record with nothing in it that a directory does not carry. */
function carried(directory: string, record: PlaceRecord): PlaceRecord {
  const { carries } = DIRECTORIES.find(({ id }) => id === directory)!
  return ENTRY_FIELDS.filter(({ id }) => !carries.includes(id)).reduce((left, { id }) => withText(left, id, ''), record)
}

const idOf = (directory: string, key: string) => String(10_000_000 + Math.floor(unit(directory, key) * 89_999_999))

function entryOf(directory: string, { handle, remoteId, record }: DemoPlace): FoundEntry | undefined {
  const other = OTHERWISE[directory]?.[handle]
  if (other === null) return undefined
  const isListing = directory === LISTINGS
  const id = isListing ? remoteId : idOf(directory, handle)
  return {
    id,
    address: `https://www.${directory}.example/${isListing ? handle : id}`,
    changedBy: isListing && handle === STRANGERS_PLACE ? STRANGER : '',
    record: carried(directory, { ...inItsManner(directory, record), ...other }),
  }
}

const doublesOf = (directory: string): FoundEntry[] =>
  DOUBLES.filter((double) => double.directory === directory).map(({ handle, record }) => {
    const id = idOf(directory, `${handle} again`)
    const place = PLACES.find((each) => each.handle === handle)!
    return {
      id,
      address: `https://www.${directory}.example/${id}`,
      changedBy: '',
      record: carried(directory, { ...inItsManner(directory, place.record), ...record }),
    }
  })

/** Entries of others, which are none of the clients'. */
const neighboursOf = (directory: string): FoundEntry[] =>
  Array.from({ length: 24 }, (_, index) => {
    const town = TOWNS[index % 6]!
    const id = idOf(directory, `neighbour ${index}`)
    const name = `${['Lamp', 'Saltgrass', 'Old Loom', 'Tidewatch'][index % 4]!} ${['Bakery', 'Stores', 'Chandlers'][index % 3]!}`
    return {
      id,
      address: `https://www.${directory}.example/${id}`,
      changedBy: '',
      record: carried(directory, {
        ...EMPTY_PLACE,
        name,
        categories: ['shop'],
        street: `${index + 1} High Street`,
        town: town.name,
        country: 'GB',
        lat: town.lat + (unit('north', id) - 0.5) * 0.02,
        lon: town.lon + (unit('east', id) - 0.5) * 0.03,
        phone: `+4416329607${String(index).padStart(2, '0')}`,
      }),
    }
  })

/** Every entry that a directory has, as it is when nobody has asked for anything. */
export const entriesIn = (directory: string): FoundEntry[] => [
  ...PLACES.flatMap((place) => entryOf(directory, place) ?? []),
  ...doublesOf(directory),
  ...(directory === LISTINGS ? [] : neighboursOf(directory)),
]

/** The place that an entry is one of; undefined where it is a neighbour's. */
export const entryPlace = (directory: string, { id }: FoundEntry): DemoPlace | undefined =>
  PLACES.find(
    ({ handle, remoteId }) =>
      id === (directory === LISTINGS ? remoteId : idOf(directory, handle)) || id === idOf(directory, `${handle} again`),
  )

/** What was asked of directories in the demo before today, and what became of it: so many days before the world ends. */
export const PAST_CORRECTIONS = [
  {
    directory: 'dial-and-door',
    handle: 'mossgate-plant-shop',
    field: 'street',
    state: 'refused',
    days: 12,
    reason: 'Our map knows no such number in that street. Send a proof of the address.',
  },
  {
    directory: 'pilot-index',
    handle: 'mossgate-main-gate',
    field: 'position',
    state: 'changed back',
    days: 5,
    reason: '',
  },
  { directory: 'townbook', handle: 'mossgate-main-gate', field: 'hours', state: 'taken', days: 40, reason: '' },
] as const

/** What changed in entries before today: what became is what the entry says now, or what it was asked to say. */
export const PAST_CHANGES = [
  {
    directory: 'townbook',
    handle: 'mossgate-main-gate',
    field: 'hours',
    was: 'Mo-Su 09:00-17:00',
    became: '',
    state: 'ours',
    days: 39,
  },
  {
    directory: 'pilot-index',
    handle: 'mossgate-main-gate',
    field: 'position',
    was: '49.66910, -8.03180',
    became: '49.66550, -8.03120',
    state: 'ours',
    days: 4,
  },
  {
    directory: 'pilot-index',
    handle: 'mossgate-main-gate',
    field: 'position',
    was: '49.66550, -8.03120',
    became: '',
    state: 'open',
    days: 1,
  },
  {
    directory: LISTINGS,
    handle: STRANGERS_PLACE,
    field: 'phone',
    was: '+441632960010',
    became: '',
    state: 'open',
    days: 0,
  },
] as const
