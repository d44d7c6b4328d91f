import type { IncomingMessage } from 'node:http'
import proxyAddress from '@fastify/proxy-addr'
import ipaddr from 'ipaddr.js'
import { getRequestHeader, type H3Event } from 'h3'

/**
 * The proxies whose word is taken for where a request comes from: addresses and ranges, as ZAFFER_TRUSTED_PROXY names
 * them. Nobody by default.
 */
const named = (): string[] =>
  (process.env.ZAFFER_TRUSTED_PROXY ?? '')
    .split(',')
    .map((part) => part.trim())
    .filter((part) => part !== '')

/**
 * @throws TypeError when ZAFFER_TRUSTED_PROXY names something that is no address and no range
 */
export function isTrusted(address: string): boolean {
  const proxies = named()
  return proxies.length > 0 && address !== '' && proxyAddress.compile(proxies)(address, 0)
}

/**
 * Where a request comes from: the other end of the connection or, behind a trusted proxy, the last address that no
 * trusted proxy has.
 */
export function visitorAddress(request: IncomingMessage): string {
  const peer = request.socket.remoteAddress ?? 'unknown'
  if (!ipaddr.isValid(peer)) return peer
  const proxies = named()
  const found = proxies.length > 0 ? proxyAddress(request, proxies) : peer
  return ipaddr.isValid(found) ? ipaddr.process(found).toString() : ipaddr.process(peer).toString()
}

/**
 * The part of the network that counts as one visitor: an address of version 4, or the sixty-four bits that a household
 * has of version 6.
 *
 * @example neighbourhood('2001:db8:1:2:3::4') // '2001:db8:1:2::/64'
 */
export function neighbourhood(address: string): string {
  if (!ipaddr.isValid(address)) return address
  const read = ipaddr.process(address)
  return read.kind() === 'ipv4'
    ? read.toString()
    : `${ipaddr.IPv6.networkAddressFromCIDR(`${read.toString()}/64`).toString()}/64`
}

/** Whether the visitor's own connection is encrypted: ours is, or a trusted proxy says that theirs is. */
export function isEncrypted(event: H3Event): boolean {
  const { socket } = event.node.req
  if ('encrypted' in socket && socket.encrypted) return true
  return (
    isTrusted(socket.remoteAddress ?? '') &&
    getRequestHeader(event, 'x-forwarded-proto')?.split(',').at(-1)?.trim() === 'https'
  )
}
