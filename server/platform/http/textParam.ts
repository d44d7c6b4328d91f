import { getRouterParam, type H3Event } from 'h3'
import { notFound } from '../problems/problem'

/**
 * A part of the address that is a text, such as the id that a network has given to something.
 *
 * @param what  what it is of: where it cannot be one, there is no such thing
 * @throws      Problem 404
 */
export function textParam(event: H3Event, name: string, what: string, longest: number): string {
  const value = getRouterParam(event, name, { decode: true }) ?? ''
  if (value === '' || value.length > longest || !/^[\x20-\x7e]+$/.test(value)) throw notFound(what)
  return value
}
