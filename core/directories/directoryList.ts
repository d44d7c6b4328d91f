import type { EntryField } from './entryFields'
import { ENTRY_FIELDS } from './entryFields'

/** Where entries of places stand: the network of the listings itself, and directories. */
export interface Directory {
  id: string
  name: string
  /** What its entries can say. */
  carries: readonly EntryField[]
  /** Fields after whose change it asks for proof again, and how surely: as far as it is common practice. */
  proof: Partial<Record<EntryField, 'certainly' | 'usually' | 'at times'>>
}

const ALL = ENTRY_FIELDS.map(({ id }) => id)
const without = (...fields: EntryField[]) => ALL.filter((id) => !fields.includes(id))

/** The network that the listings of places are on. */
export const LISTINGS = 'waymark'

export const DIRECTORIES: readonly Directory[] = [
  {
    id: LISTINGS,
    name: 'Waymark',
    carries: ALL,
    proof: { phone: 'certainly', name: 'at times', categories: 'usually', street: 'at times' },
  },
  { id: 'townbook', name: 'Townbook', carries: ALL, proof: { phone: 'certainly' } },
  { id: 'islepages', name: 'Islepages', carries: without('attributes'), proof: { name: 'usually' } },
  {
    id: 'dial-and-door',
    name: 'Dial & Door',
    carries: without('attributes', 'description', 'position'),
    proof: { phone: 'certainly', street: 'at times' },
  },
  { id: 'pilot-index', name: 'The Pilot Index', carries: without('attributes', 'country'), proof: {} },
]

/** A directory by its id. @throws RangeError when there is none */
export function directoryById(id: string): Directory {
  const directory = DIRECTORIES.find((each) => each.id === id)
  if (!directory) throw new RangeError(`there is no directory "${id}"`)
  return directory
}
