import type { ResultSetHeader } from 'mysql2/promise'
import type { TagInput, TagPreview, TagRuleInput, TagRuleView, TagView } from '../../../shared/read/tags'
import { tagNames } from '../../figures/questions/postTags'
import { wherePosts } from '../../figures/questions/wherePosts'
import { applyRules, ruleRows, wantedBy } from '../../figures/tagging'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { badRequest, notFound } from '../../platform/problems/problem'

/** How many tags a client can have, and how many rules one tag. */
const MOST_TAGS = 100
const MOST_RULES = 20
/** How many posts a preview names. */
const EXAMPLES = 5

/** The tags of a client with their rules and with how many of its own posts have them. */
export async function tagsOf(db: ClientDb, withRivals = true): Promise<TagView[]> {
  const tags = await db.rows<{ id: number; name: string; colour: number }>(sql`
    SELECT   tag_id AS id, name, colour
    FROM     tag
    WHERE    client_id = ${db.client}
    AND      removed_at IS NULL
    ORDER BY name`)
  const rules = await ruleRows(db)
  const counts = await db.rows<{ tag: number; rule: number; isRival: number; posts: number }>(sql`
    SELECT   t.tag_id AS tag, t.rule_id AS rule, f.is_rival AS isRival, COUNT(*) AS posts
    FROM     post_tag t
    JOIN     profile f ON f.client_id = t.client_id AND f.profile_id = t.profile_id
    WHERE    t.client_id = ${db.client}
    GROUP BY t.tag_id, t.rule_id, f.is_rival`)
  const wholes = await db.rows<{ tag: number; isRival: number; posts: number }>(sql`
    SELECT   t.tag_id AS tag, f.is_rival AS isRival, COUNT(DISTINCT t.profile_id, t.remote_id) AS posts
    FROM     post_tag t
    JOIN     profile f ON f.client_id = t.client_id AND f.profile_id = t.profile_id
    WHERE    t.client_id = ${db.client}
    GROUP BY t.tag_id, f.is_rival`)
  const whole = (tag: number, isRival: number) =>
    wholes.find((each) => each.tag === tag && each.isRival === isRival)?.posts ?? 0
  const count = (tag: number, rule: number) =>
    counts.find((each) => each.tag === tag && each.rule === rule && each.isRival === 0)?.posts ?? 0
  return tags.map((tag) => ({
    ...tag,
    posts: whole(tag.id, 0),
    byHand: count(tag.id, 0),
    ...(withRivals && { rivals: whole(tag.id, 1) }),
    rules: rules
      .filter((rule) => rule.tag === tag.id)
      .map(
        ({ tag: _own, isOn, ...rule }): TagRuleView => ({ ...rule, isOn: isOn === 1, posts: count(tag.id, rule.id) }),
      ),
  }))
}

/** @throws Problem 400 when the name is taken, or there are too many tags */
export const addTag = (db: ClientDb, { name, colour }: TagInput, person: number): Promise<number> =>
  db.transaction(async (inside) => {
    const known = await inside.rows<{ name: string }>(
      sql`SELECT name FROM tag WHERE client_id = ${inside.client} AND removed_at IS NULL FOR UPDATE`,
    )
    if (known.length >= MOST_TAGS) throw badRequest(`A client has ${MOST_TAGS} tags at the most. Remove one first.`)
    return await named(name, async () => {
      const { insertId }: ResultSetHeader = await inside.run(sql`
        INSERT INTO tag (client_id, name, live_name, colour, created_by)
        VALUES (${inside.client}, ${name}, ${name}, ${colour}, ${person})`)
      return insertId
    })
  })

/** @throws Problem 404 when there is no such tag, 400 when the name is taken */
export const changeTag = (db: ClientDb, tag: number, { name, colour }: TagInput): Promise<void> =>
  db.transaction(async (inside) => {
    await hold(inside, tag)
    await named(name, () =>
      inside.run(sql`
        UPDATE tag
        SET    name = ${name}, live_name = ${name}, colour = ${colour}
        WHERE  client_id = ${inside.client}
        AND    tag_id = ${tag}`),
    )
  })

/** Removes a tag from everything, or brings it back with all that had it. */
export async function removeTag(db: ClientDb, tag: number, isRemoved: boolean): Promise<boolean> {
  const { affectedRows } = await named('', () =>
    db.run(sql`
      UPDATE tag
      SET    removed_at = ${isRemoved ? new Date() : null}, live_name = IF(${isRemoved}, NULL, name)
      WHERE  client_id = ${db.client}
      AND    tag_id = ${tag}
      AND    (removed_at IS NULL) = ${isRemoved ? 1 : 0}`),
  )
  if (affectedRows === 1 && !isRemoved) await applyRules(db, { tag })
  return affectedRows === 1
}

const DUPLICATE = 1062

/** Two tags of a client have no one name: two people may choose it at the same moment. */
async function named<T>(name: string, write: () => Promise<T>): Promise<T> {
  try {
    return await write()
  } catch (error) {
    if ((error as { errno?: number }).errno !== DUPLICATE) throw error
    throw badRequest('There is a tag of that name.', {
      fields: { name: name === '' ? 'Another tag has its name now. Rename that one first.' : `“${name}” is taken.` },
    })
  }
}

/** @throws Problem 404 when there is no such tag */
async function hold(db: ClientDb, tag: number): Promise<void> {
  const found = await db.one(
    sql`SELECT tag_id FROM tag WHERE client_id = ${db.client} AND tag_id = ${tag} AND removed_at IS NULL FOR UPDATE`,
  )
  if (!found) throw notFound('tag')
}

/** @throws Problem 404 when there is no such tag, 400 when the rule is for nobody */
export const addRule = (db: ClientDb, tag: number, rule: TagRuleInput, person: number): Promise<number> =>
  db.transaction(async (inside) => {
    await hold(inside, tag)
    await checkRule(inside, rule)
    const own = (await ruleRows(inside)).filter((each) => each.tag === tag)
    if (own.length >= MOST_RULES) throw badRequest(`A tag has ${MOST_RULES} rules at the most.`)
    const { insertId } = await inside.run(sql`
      INSERT INTO tag_rule (client_id, tag_id, any_words, all_words, none_words, hashtags, formats, who, from_day, to_day,
                            is_on, created_by)
      VALUES (${inside.client}, ${tag}, ${rule.any}, ${rule.all}, ${rule.none}, ${rule.hashtags}, ${rule.formats},
              ${rule.who}, ${rule.from ?? null}, ${rule.to ?? null}, ${rule.isOn}, ${person})`)
    await applyRules(inside, { rule: insertId })
    return insertId
  })

/** Changes a rule, or switches it off or on: what it has tagged changes with it, what was tagged by hand stays. */
export const changeRule = (db: ClientDb, id: number, rule: TagRuleInput): Promise<void> =>
  db.transaction(async (inside) => {
    if (!(await ruleRows(inside)).some((each) => each.id === id)) throw notFound('rule')
    await checkRule(inside, rule)
    await inside.run(sql`
      UPDATE tag_rule
      SET    any_words = ${rule.any}, all_words = ${rule.all}, none_words = ${rule.none}, hashtags = ${rule.hashtags},
             formats = ${rule.formats}, who = ${rule.who}, from_day = ${rule.from ?? null}, to_day = ${rule.to ?? null},
             is_on = ${rule.isOn}
      WHERE  client_id = ${inside.client}
      AND    rule_id = ${id}`)
    await applyRules(inside, { rule: id })
  })

/** Takes a rule away with what it has tagged, or brings it back. */
export const removeRule = (db: ClientDb, id: number, isRemoved: boolean): Promise<boolean> =>
  db.transaction(async (inside) => {
    const { affectedRows } = await inside.run(sql`
      UPDATE tag_rule
      SET    removed_at = ${isRemoved ? new Date() : null}
      WHERE  client_id = ${inside.client}
      AND    rule_id = ${id}
      AND    (removed_at IS NULL) = ${isRemoved ? 1 : 0}`)
    if (affectedRows === 1) await applyRules(inside, { rule: id })
    return affectedRows === 1
  })

/** @throws Problem 400 when the rule is for profiles that are not there */
async function checkRule(db: ClientDb, input: TagRuleInput): Promise<void> {
  const { profiles } = await wantedBy(db, input)
  if (input.who !== 'all' && profiles!.length === 0)
    throw badRequest('The rule is for profiles that this client does not have.', {
      fields: { who: 'Choose profiles.' },
    })
}

/** What a rule would tag, of all posts that are there. */
export async function previewRule(db: ClientDb, input: TagRuleInput, tag: number): Promise<TagPreview> {
  if (!(await tagNames(db)).some(({ id }) => id === tag)) throw notFound('tag')
  await checkRule(db, input)
  const where = wherePosts(await wantedBy(db, input))
  const counted = await db.one<{ matches: number; rivals: number | null; already: number | null }>(sql`
    SELECT COUNT(*) AS matches, SUM(f.is_rival) AS rivals,
           SUM(EXISTS (SELECT 1 FROM post_tag t WHERE t.client_id = p.client_id AND t.profile_id = p.profile_id
               AND t.remote_id = p.remote_id AND t.tag_id = ${tag})) AS already
    FROM   post p
    JOIN   profile f ON f.client_id = p.client_id AND f.profile_id = p.profile_id
    WHERE  p.client_id = ${db.client}
    AND    ${where}`)
  const examples = await db.rows<TagPreview['examples'][number]>(sql`
    SELECT   p.profile_id AS profile, p.remote_id AS id, f.name, p.day, p.format, p.text
    FROM     post p
    JOIN     profile f ON f.client_id = p.client_id AND f.profile_id = p.profile_id
    WHERE    p.client_id = ${db.client}
    AND      ${where}
    ORDER BY p.published_at DESC, p.remote_id
    LIMIT    ${EXAMPLES}`)
  return {
    matches: counted!.matches,
    rivals: counted!.rivals ?? 0,
    already: counted!.already ?? 0,
    examples,
  }
}

/**
 * Tags posts by hand, or takes a tag that was set by hand away.
 *
 * @returns the posts that are changed by it: what it would take to undo it
 * @throws  Problem 404 when there is no such tag, 400 when one of the posts is not there
 */
export const tagByHand = (
  db: ClientDb,
  tag: number,
  posts: readonly { profile: number; id: string }[],
  isSet: boolean,
  person: number,
): Promise<{ profile: number; id: string }[]> =>
  db.transaction(async (inside) => {
    await hold(inside, tag)
    const keys = posts.map(({ profile, id }) => [profile, id])
    const there = await inside.rows<{ profile: number; id: string; has: number }>(sql`
      SELECT p.profile_id AS profile, p.remote_id AS id, t.tag_id IS NOT NULL AS has
      FROM   post p
      LEFT JOIN post_tag t ON t.client_id = p.client_id AND t.profile_id = p.profile_id AND t.remote_id = p.remote_id
                          AND t.tag_id = ${tag} AND t.rule_id = 0
      WHERE  p.client_id = ${inside.client}
      AND    (p.profile_id, p.remote_id) IN (${keys})`)
    if (there.length === 0) throw badRequest('None of these posts is there any more. Open the list again.')
    const changed = there.filter(({ has }) => (has === 1) !== isSet).map(({ profile, id }) => ({ profile, id }))
    if (changed.length === 0) return []
    if (isSet)
      await inside.insertRows(
        'post_tag',
        ['profile_id', 'remote_id', 'tag_id', 'rule_id', 'tagged_by'],
        changed.map(({ profile, id }) => [profile, id, tag, 0, person]),
        ['tagged_by'],
      )
    else
      await inside.run(sql`
        DELETE FROM post_tag
        WHERE  client_id = ${inside.client}
        AND    tag_id = ${tag}
        AND    rule_id = 0
        AND    (profile_id, remote_id) IN (${changed.map(({ profile, id }) => [profile, id])})`)
    return changed
  })
