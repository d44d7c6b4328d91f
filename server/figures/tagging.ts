import { readHashtags, type TagRule } from '../../core/tags/tagRule'
import { parseWho } from '../../shared/figures/scope'
import { wordsOf } from '../../shared/read/postWords'
import type { TagRuleInput } from '../../shared/read/tags'
import type { ClientDb } from '../platform/database/clientDb'
import { sql } from '../platform/database/sql'
import { profilesOf } from './questions/profileRows'
import { setsOf } from './questions/sets'
import { wherePosts } from './questions/wherePosts'

/** A rule as it is kept. */
export interface RuleRow {
  id: number
  tag: number
  any: string
  all: string
  none: string
  hashtags: string
  formats: string
  who: string
  from: string | null
  to: string | null
  isOn: number
}

/** The rules of a client that are there. */
export const ruleRows = (db: ClientDb): Promise<RuleRow[]> =>
  db.rows<RuleRow>(sql`
    SELECT   rule_id AS id, tag_id AS tag, any_words AS \`any\`, all_words AS \`all\`, none_words AS none, hashtags,
             formats, who, from_day AS \`from\`, to_day AS \`to\`, is_on AS isOn
    FROM     tag_rule
    WHERE    client_id = ${db.client}
    AND      removed_at IS NULL
    ORDER BY rule_id`)

/** What a rule asks for, over profiles that are known. */
const ruleOf = (
  input: Pick<TagRuleInput, 'any' | 'all' | 'none' | 'hashtags' | 'formats'> & {
    from?: string | null
    to?: string | null
  },
  profiles: readonly number[] | undefined,
): TagRule => ({
  ...wordsOf(input),
  hashtags: readHashtags(input.hashtags),
  formats: input.formats.split(',').filter(Boolean),
  ...(profiles && { profiles }),
  ...(input.from && { from: input.from }),
  ...(input.to && { to: input.to }),
})

/** What a rule asks for, its profiles and sets as the profiles that they mean today. */
export async function wantedBy(
  db: ClientDb,
  input: Pick<TagRuleInput, 'any' | 'all' | 'none' | 'hashtags' | 'formats' | 'who'> & {
    from?: string | null
    to?: string | null
  },
): Promise<TagRule> {
  if (input.who === 'all') return ruleOf(input, undefined)
  const { who, sets, networks = [] } = parseWho(input.who)
  const [all, known] = [await profilesOf(db), await setsOf(db)]
  const named = new Set([...who, ...known.filter(({ id }) => sets.includes(id)).flatMap(({ profiles }) => profiles)])
  return ruleOf(
    input,
    all
      .filter(({ profile_id: id, network }) => named.has(id) || networks.includes(network))
      .map(({ profile_id: id }) => id),
  )
}

/**
 * Sets the tags of rules anew: on what is there, and on nothing that they do not match any more. A rule that is off, or
 * was taken away, sets none. What was tagged by hand is not looked at.
 *
 * @param only  one rule, the rules of one tag, or the posts of one profile
 */
export async function applyRules(
  db: ClientDb,
  only: { rule?: number; tag?: number; profile?: number } = {},
): Promise<void> {
  await db.transaction(async (inside) => {
    const rules = (await ruleRows(inside)).filter(
      ({ id, tag }) => (only.rule === undefined || only.rule === id) && (only.tag === undefined || only.tag === tag),
    )
    // a rule that is gone has to leave too
    const ids = only.rule === undefined ? rules.map(({ id }) => id) : [only.rule]
    if (ids.length === 0) return
    const ofProfile = only.profile === undefined ? sql`1 = 1` : sql`profile_id = ${only.profile}`
    await inside.run(
      sql`DELETE FROM post_tag WHERE client_id = ${inside.client} AND rule_id IN (${ids}) AND ${ofProfile}`,
    )
    for (const rule of rules) {
      if (rule.isOn === 0) continue
      const wanted = await wantedBy(inside, rule)
      const profiles =
        only.profile === undefined
          ? wanted.profiles
          : (wanted.profiles ?? [only.profile]).filter((id) => id === only.profile)
      await inside.run(sql`
        INSERT INTO post_tag (client_id, profile_id, remote_id, tag_id, rule_id)
        SELECT p.client_id, p.profile_id, p.remote_id, ${rule.tag}, ${rule.id}
        FROM   post p
        WHERE  p.client_id = ${inside.client}
        AND    ${wherePosts({ ...wanted, ...(profiles && { profiles }) })}`)
    }
  })
}
