import { networkById, NETWORKS } from './networks'

/** A profile as an address names it. */
export interface NamedProfile {
  network: string
  handle: string
}

/**
 * A handle without what people write around it: an @ in front, capitals, spaces at the ends.
 *
 * @example plainHandle(' @Mossgate ') // 'mossgate'
 */
export const plainHandle = (text: string): string => text.trim().replace(/^@/, '').toLowerCase()

/** What a handle may be made of. */
const HANDLE = /^[a-z0-9][a-z0-9._-]{0,59}$/

/** Whether a text can be a handle at all. */
export const isHandle = (text: string): boolean => HANDLE.test(plainHandle(text))

/**
 * The profile that an address leads to.
 *
 * @param address  with or without a scheme
 * @returns        undefined when the address is not one of a profile on a network that we know
 * @example        readProfileAddress('https://tintype.example/@mossgate') // { network: 'tintype', handle: 'mossgate' }
 */
export function readProfileAddress(address: string): NamedProfile | undefined {
  const text = /^[a-z]+:\/\//i.test(address.trim()) ? address.trim() : `https://${address.trim()}`
  if (!URL.canParse(text)) return undefined
  const { protocol, hostname, pathname } = new URL(text)
  const network = NETWORKS.find(({ site }) => hostname === site || hostname === `www.${site}`)
  const [handle = '', ...rest] = decode(pathname).split('/').filter(Boolean)
  if (!network || !/^https?:$/.test(protocol) || rest.length > 0 || !isHandle(handle)) return undefined
  return { network: network.id, handle: plainHandle(handle) }
}

const decode = (path: string): string => {
  try {
    return decodeURIComponent(path)
  } catch {
    return path
  }
}

/**
 * The address of a profile.
 *
 * @throws RangeError when there is no such network
 * @example profileAddress({ network: 'cork', handle: 'orrerypress' }) // 'https://cork.example/orrerypress'
 */
export const profileAddress = ({ network, handle }: NamedProfile): string =>
  `https://${networkById(network).site}/${encodeURIComponent(plainHandle(handle))}`
