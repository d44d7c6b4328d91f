import type { RespondedPost } from '../core/times/besideUsual'
import { besideUsual } from '../core/times/besideUsual'
import { liftsOfPosts } from '../core/times/liftsOfPosts'
import { localClock, slotOf } from '../core/times/slots'
import { seeded } from '../core/times/seeded'
import { median, ms, report, times } from './measure'

const POSTS = 20_000
const GOAL_MS = 300

/** When 20,000 posts did well, beside one plain pass over them. */
export async function benchTimes(): Promise<void> {
  const random = seeded(1)
  const posts = Array.from({ length: POSTS }, (_, index): RespondedPost => {
    const base = 500 + Math.floor(random() * 5000)
    return {
      at: Date.parse('2024-10-28T00:00Z') + Math.floor(random() * 730 * 24) * 3_600_000,
      profile: index % 40,
      format: ['photo', 'clip', 'story'][index % 3]!,
      response: Math.floor(base * random() * 0.1),
      base,
    }
  })
  const zone = 'Europe/London'
  const worked = await median(9, () => liftsOfPosts(posts, zone))
  const usual = await median(9, () => besideUsual(posts))
  const plain = await median(9, () => {
    const clock = localClock(zone)
    const sums = new Float64Array(168)
    for (const { at, response, base } of posts) sums[slotOf(clock(at))]! += Math.log((response + 0.5) / (base! + 1))
    return sums
  })
  report(
    `When ${POSTS.toLocaleString('en')} posts of 40 profiles did well, over two years`,
    {
      'worked out': ms(worked),
      'of it what is usual': ms(usual),
      'one plain pass': ms(plain),
      'times': times(worked / plain),
    },
    { text: `at most ${GOAL_MS} ms`, met: worked <= GOAL_MS },
  )
}
