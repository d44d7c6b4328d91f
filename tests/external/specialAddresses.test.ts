import ipaddr from 'ipaddr.js'
import { describe, expect, it } from 'vitest'
import { isPublicAddress } from '../../server/platform/outside/guardedFetch'

/**
 * IANA IPv4 Special-Purpose Address Registry, every entry. Value from memory, each with the RFC that the registry
 * names.
 */
const REGISTRY_V4: [string, string][] = [
  ['0.0.0.0/8', 'RFC 791'],
  ['0.0.0.0/32', 'RFC 1122'],
  ['10.0.0.0/8', 'RFC 1918'],
  ['100.64.0.0/10', 'RFC 6598'],
  ['127.0.0.0/8', 'RFC 1122'],
  ['169.254.0.0/16', 'RFC 3927'],
  ['172.16.0.0/12', 'RFC 1918'],
  ['192.0.0.0/24', 'RFC 6890'],
  ['192.0.0.0/29', 'RFC 7335'],
  ['192.0.0.8/32', 'RFC 7600'],
  ['192.0.0.9/32', 'RFC 7723'],
  ['192.0.0.10/32', 'RFC 8155'],
  ['192.0.0.170/32', 'RFC 8880'],
  ['192.0.0.171/32', 'RFC 7050'],
  ['192.0.2.0/24', 'RFC 5737'],
  ['192.31.196.0/24', 'RFC 7535'],
  ['192.52.193.0/24', 'RFC 7450'],
  ['192.88.99.0/24', 'RFC 7526'],
  ['192.88.99.2/32', 'RFC 6751'],
  ['192.168.0.0/16', 'RFC 1918'],
  ['192.175.48.0/24', 'RFC 7534'],
  ['198.18.0.0/15', 'RFC 2544'],
  ['198.51.100.0/24', 'RFC 5737'],
  ['203.0.113.0/24', 'RFC 5737'],
  ['240.0.0.0/4', 'RFC 1112'],
  ['255.255.255.255/32', 'RFC 919'],
]

/** IANA IPv6 Special-Purpose Address Registry, every entry. Value from memory, as above. */
const REGISTRY_V6: [string, string][] = [
  ['::1/128', 'RFC 4291'],
  ['::/128', 'RFC 4291'],
  ['::ffff:0:0/96', 'RFC 4291'],
  ['64:ff9b::/96', 'RFC 6052'],
  ['64:ff9b:1::/48', 'RFC 8215'],
  ['100::/64', 'RFC 6666'],
  ['100:0:0:1::/64', 'RFC 9780'],
  ['2001::/23', 'RFC 2928'],
  ['2001::/32', 'RFC 4380'],
  ['2001:1::1/128', 'RFC 7723'],
  ['2001:1::2/128', 'RFC 8155'],
  ['2001:1::3/128', 'RFC 9665'],
  ['2001:2::/48', 'RFC 5180'],
  ['2001:3::/32', 'RFC 7450'],
  ['2001:4:112::/48', 'RFC 7535'],
  ['2001:10::/28', 'RFC 4843'],
  ['2001:20::/28', 'RFC 7343'],
  ['2001:30::/28', 'RFC 9374'],
  ['2001:db8::/32', 'RFC 3849'],
  ['2002::/16', 'RFC 3056'],
  ['2620:4f:8000::/48', 'RFC 7534'],
  ['3fff::/20', 'RFC 9637'],
  ['5f00::/16', 'RFC 9602'],
  ['fc00::/7', 'RFC 4193'],
  ['fe80::/10', 'RFC 4291'],
]

/** Set aside elsewhere: multicast (RFC 5771, RFC 4291), IPv4-compatible (RFC 4291, 2.5.5.1), site-local (RFC 3879). */
const ELSEWHERE: [string, string][] = [
  ['224.0.0.0/4', 'RFC 5771'],
  ['ff00::/8', 'RFC 4291'],
  ['::/96', 'RFC 4291'],
  ['fec0::/10', 'RFC 3879'],
]

/** The first and the last address of a range. */
function ends(range: string): string[] {
  const isV4 = range.includes('.')
  const [first, bits] = [ipaddr.parse(range.split('/')[0]!), Number(range.split('/')[1])]
  const bytes = first.toByteArray()
  const last = bytes.map((byte, index) => byte | ((0xff >> Math.max(0, Math.min(8, bits - index * 8))) % 256))
  return [first.toString(), (isV4 ? new ipaddr.IPv4(last) : new ipaddr.IPv6(last)).toString()]
}

describe('addresses of pages that a person names', () => {
  it.each([...REGISTRY_V4, ...REGISTRY_V6, ...ELSEWHERE])('%s (%s) is reached from neither of its ends', (range) => {
    for (const address of ends(range)) expect([address, isPublicAddress(address)]).toEqual([address, false])
  })

  it.each([
    '1.0.0.0',
    '9.255.255.255',
    '11.0.0.0',
    '100.63.255.255',
    '100.128.0.0',
    '126.255.255.255',
    '128.0.0.0',
    '172.15.255.255',
    '172.32.0.0',
    '192.0.1.0',
    '192.167.255.255',
    '192.169.0.0',
    '198.17.255.255',
    '198.20.0.0',
    '223.255.255.255',
    '2001:200::',
    '2003::',
    '2600::',
    '3ffe:ffff::',
    '3fff:1000::',
  ])('%s, beside such a range, can be', (address) => expect(isPublicAddress(address)).toBe(true))
})
