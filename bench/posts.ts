import type { Pool } from 'mysql2/promise'
import { addDays } from '../core/days/day'
import { unit } from '../demo/random'
import { formatsOf } from '../server/read/content/ends'
import { postList } from '../server/read/content/postList'
import { resolveScope } from '../server/figures/resolveScope'
import type { PostListQuery } from '../shared/read/postList'
import { applyRules } from '../server/figures/tagging'
import { addRule, addTag, previewRule } from '../server/read/tags/tags'
import { tagRuleSchema } from '../shared/read/tags'
import { largeClient } from './database'
import { median, ms, report, times } from './measure'

const END = '2026-10-28'
const POSTS = 50_000
const PROFILES = 20
const WORDS = ['lanterns', 'garden', 'tonight', 'fern', 'ferry', 'storm', 'open', 'early', 'rose', 'tea']

/** The list of 50,000 posts: its first page, page 200, and with words; beside a bare question for as many rows. */
export async function benchPosts(pool: Pool): Promise<void> {
  const db = await largeClient(pool, 'posts', PROFILES, 2, END)
  const scope = await resolveScope(db, { who: [], sets: [], period: '2025-10-29..2026-10-28', against: 'none' })
  const profiles = scope.profiles.map(({ profile_id: profile }) => profile)
  for (let first = 0; first < POSTS; first += 5000)
    await db.insertRows(
      'post',
      ['profile_id', 'remote_id', 'published_at', 'day', 'format', 'text', 'impressions', 'reactions', 'comments'],
      Array.from({ length: 5000 }, (_, index) => {
        const number = first + index
        const day = addDays(END, -Math.floor(unit(number, 'day') * 365))
        const text = [0, 1, 2, 3].map((at) => WORDS[Math.floor(unit(number, at) * WORDS.length)]!).join(' ')
        const shown = 10 + Math.floor(unit(number, 'shown') * 5000)
        const time = `${day} 12:00:00`
        return [profiles[number % PROFILES], String(number), time, day, 'photo', text, shown, Math.floor(shown / 20), 1]
      }),
    )
  const ask = (part: Partial<PostListQuery>) => postList(db, scope, { order: 'sure', ...part })
  let after = (await ask({})).next!
  const second = after
  for (let page = 2; page < 200; page++) after = (await ask({ after })).next!
  const next = await median(9, () => ask({ after: second }))
  const late = await median(9, () => ask({ after }))
  const words = await median(9, () => ask({ after: second, any: 'lanterns, ferry', none: 'storm' }))
  const bareOf = (wanted = '') =>
    median(9, () =>
      pool.query(
        'SELECT * FROM (SELECT *, reactions / (impressions + 0e0) AS place FROM post WHERE client_id = ? AND profile_id IN (?) ' +
          `AND day BETWEEN ? AND ?${wanted}) p ORDER BY place DESC, profile_id, remote_id LIMIT 51`,
        [db.clientId, profiles, scope.period.from, scope.period.to],
      ),
    )
  const bare = await bareOf()
  const bareWords = await bareOf(" AND (text LIKE '%lanterns%' OR text LIKE '%ferry%') AND text NOT LIKE '%storm%'")
  report(
    'The next page of 50,000 posts, ordered by the near end of their rate',
    {
      'the next': ms(next),
      'page 200': ms(late),
      'with words': ms(words),
      'bare SQL': ms(bare),
      'rate': times(late / bare),
      'the slowest': times(Math.max(next, late, words) / bare),
      'bare SQL with words': ms(bareWords),
    },
    {
      text: '100 ms, at most twice the bare SQL',
      met: Math.max(next, late, words) <= 100 && Math.max(next, late, words) <= 2 * bare,
    },
  )

  const formats = await median(5, () => formatsOf(db, scope, 'interactions'))
  const usual = await median(5, () => formatsOf(db, scope, 'times'))
  const pass = await median(5, () =>
    pool.query(
      'SELECT profile_id, remote_id, format, impressions, reactions, comments, shares, saves FROM post ' +
        'WHERE client_id = ? AND profile_id IN (?) AND day BETWEEN ? AND ?',
      [db.clientId, profiles, scope.period.from, scope.period.to],
    ),
  )
  report(
    'How 50,000 posts are spread by their formats',
    {
      'by interactions': ms(formats),
      'by times usual': ms(usual),
      'one pass': ms(pass),
      'rate': times(formats / pass),
    },
    { text: 'at most 1.5 × one pass', met: formats <= 1.5 * pass },
  )
  const tag = await addTag(db, { name: 'bench', colour: 1 }, 0)
  const rule = tagRuleSchema.validateSync({ any: 'lanterns, ferry', none: 'storm' })
  const id = await addRule(db, tag, rule, 0)
  const tagged = await median(5, () => applyRules(db, { rule: id }))
  const preview = await median(5, () => previewRule(db, rule, tag))
  const found = (await previewRule(db, rule, tag)).matches
  report(
    'A rule of words over 50,000 posts, set anew',
    { 'posts it tags': String(found), 'tagged': ms(tagged), 'looked at before': ms(preview) },
    { text: 'at most 1 s', met: Math.max(tagged, preview) <= 1000 },
  )
}
