import { RETENTION_STEPS } from '../core/datasets/datasets'
import { unit } from './random'
import type { DemoPost } from './world'

/** How far the plays of a video went, as its network gives it. */
export type DemoRetention = { remote_id: string; day: string; length_seconds: number } & Record<`at_${number}`, number>

/**
 * How far the plays of a video went: some leave at once, more by and by, and at a place of its own a part leaves
 * together. The seconds that it was watched are those that its figures say.
 *
 * @returns undefined of a post that is no video, or that nobody has begun
 */
export function retentionOf(
  post: Pick<DemoPost, 'remoteId' | 'day' | 'views' | 'watch_seconds'>,
): DemoRetention | undefined {
  const { remoteId, views = 0, watch_seconds: seconds = 0 } = post
  if (views === 0 || seconds === 0) return undefined
  const draw = (name: string) => unit(remoteId, name)
  const atOnce = 0.12 + 0.2 * draw('at once')
  const pace = 0.6 + 0.9 * draw('pace')
  const place = 25 + 60 * draw('place')
  const lost = draw('is lost') < 0.6 ? 0.1 + 0.15 * draw('lost') : 0
  const stays = (percent: number): number =>
    percent === 0 ? 1 : (1 - atOnce) * Math.exp((-pace * percent) / 100) * (percent > place ? 1 - lost : 1)
  const shares = RETENTION_STEPS.map(stays)
  const seen = shares.reduce(
    (sum, share, step) => (step === 0 ? 0 : sum + (share + shares[step - 1]!) / 2 / (shares.length - 1)),
    0,
  )
  return {
    remote_id: remoteId,
    day: post.day,
    length_seconds: Math.max(1, Math.round(seconds / views / seen)),
    ...Object.fromEntries(RETENTION_STEPS.map((percent, step) => [`at_${percent}`, Math.round(views * shares[step]!)])),
  }
}
