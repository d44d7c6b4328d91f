import { array, number, object, string } from 'yup'
import type { Day } from '../../core/days/day'

/** A profile as anybody finds it on the network. */
export interface PublicProfile {
  remoteId: string
  handle: string
  name: string
  followers: number | null
  postsIn28Days: number
  lastPost: Day | null
}

/** A profile that those follow too who follow another, and what part of them. */
export interface AlsoFollowed extends PublicProfile {
  /** From 0 to 1, of those who follow the other. */
  share: number
}

const shownFields = {
  remoteId: string().max(40).required(),
  handle: string().max(120).required(),
  name: string().max(120).required(),
  followers: number().integer().min(0).max(10_000_000_000).nullable().default(null),
  postsIn28Days: number().integer().min(0).max(1_000_000).required(),
  lastPost: string()
    .matches(/^\d{4}-\d\d-\d\d$/)
    .nullable()
    .default(null),
}

/** What a network has found. */
export const foundSchema = object({ data: array(object(shownFields)).max(100).required() })

/** What a network says of whom else they follow. */
export const alsoFollowedSchema = object({
  data: array(object({ ...shownFields, share: number().min(0).max(1).required() }))
    .max(100)
    .required(),
})
