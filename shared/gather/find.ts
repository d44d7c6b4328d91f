import { object } from 'yup'
import { text } from '../platform/text'
import type { NamedProfile } from '../../core/networks/profileAddress'

/** A search for a client's profiles: its web page, and the handle that is wanted. */
export const searchSchema = object({
  address: text().required('Write the address of the web page.').max(300, 'That address is too long.'),
  handle: text().max(60).default(''),
})

/** What a search for a client's profiles has found. */
export interface ProfileSearch {
  address: string
  handle: string
  /** Linked from the page, and there. */
  linked: SeenProfile[]
  /** Linked from the page, but the network has no such profile. */
  broken: (NamedProfile & { networkName: string })[]
  /** Under one of the client's handles, but not linked from the page. Somebody else can be behind it. */
  unlinked: SeenProfile[]
  /** The networks on which the wanted handle is free. */
  free: string[]
  /** The networks on which it is taken, and by whom. */
  taken: { networkName: string; name: string; isOwn: boolean }[]
}

/** A profile that a search has come upon. */
export interface SeenProfile extends NamedProfile {
  networkName: string
  name: string
  followers: number | null
  /** Whether the client has it in its list, as its own or as a rival's. */
  listed: 'own' | 'rival' | 'no'
}
