import { BlockList } from 'node:net'

/**
 * The ranges that are set aside for something else than the open internet. Sources: the IANA IPv4 and IPv6
 * Special-Purpose Address Registries (RFC 6890 and its updates), whole, also the few entries that could be reached; the
 * multicast ranges (RFC 5771, RFC 4291); and what earlier standards had set aside: IPv4-compatible addresses (RFC 4291,
 * 2.5.5.1) and site-local ones (RFC 3879).
 */
export const SPECIAL_V4: readonly string[] = [
  '0.0.0.0/8',
  '10.0.0.0/8',
  '100.64.0.0/10',
  '127.0.0.0/8',
  '169.254.0.0/16',
  '172.16.0.0/12',
  '192.0.0.0/24',
  '192.0.2.0/24',
  '192.31.196.0/24',
  '192.52.193.0/24',
  '192.88.99.0/24',
  '192.168.0.0/16',
  '192.175.48.0/24',
  '198.18.0.0/15',
  '198.51.100.0/24',
  '203.0.113.0/24',
  '224.0.0.0/4',
  '240.0.0.0/4',
]
export const SPECIAL_V6: readonly string[] = [
  '::/96',
  '::ffff:0:0/96',
  '64:ff9b::/96',
  '64:ff9b:1::/48',
  '100::/64',
  '100:0:0:1::/64',
  '2001::/23',
  '2001:db8::/32',
  '2002::/16',
  '2620:4f:8000::/48',
  '3fff::/20',
  '5f00::/16',
  'fc00::/7',
  'fe80::/10',
  'fec0::/10',
  'ff00::/8',
]
/** Of version 6, only this has been given to the open internet so far (IANA, IPv6 Global Unicast Address Space). */
const GLOBAL_V6 = '2000::/3'

function listOf(ranges: readonly string[], family: 'ipv4' | 'ipv6'): BlockList {
  const list = new BlockList()
  for (const range of ranges) {
    const [address, bits] = range.split('/')
    list.addSubnet(address!, Number(bits), family)
  }
  return list
}

// one list each: a list of both would read a mapped address as one of version 4
const V4 = listOf(SPECIAL_V4, 'ipv4')
const V6 = listOf(SPECIAL_V6, 'ipv6')
const GLOBAL = listOf([GLOBAL_V6], 'ipv6')

/** Whether an address of version 4 or 6 is set aside for something else than the open internet. */
export const isSpecial = (address: string, family: 4 | 6): boolean =>
  family === 4 ? V4.check(address, 'ipv4') : V6.check(address, 'ipv6') || !GLOBAL.check(address, 'ipv6')
