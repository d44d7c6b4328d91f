import { getRouterParam, type H3Event } from 'h3'
import { idParam } from '../../platform/http/route'
import { notFound } from '../../platform/problems/problem'
import type { ReviewKey } from './replies'

/** Which review an address names. */
export function reviewKey(event: H3Event): ReviewKey {
  const id = getRouterParam(event, 'review') ?? ''
  if (!/^[\w.:-]{1,40}$/.test(id)) throw notFound('review')
  return { profile: idParam(event, 'profile', 'review'), id }
}
