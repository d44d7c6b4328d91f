import { ownNumber, type RecordKind } from './records'

/** A row as a package has it, each cell as what it means. */
export type PackageRow = Record<string, string | number | null>

/**
 * The number that a record has elsewhere.
 *
 * @throws when it has none there: what points to it would point to nothing
 */
export type NumberElsewhere = (table: string, number: number) => number

const mapped = (text: string, change: (value: Record<string, unknown>) => void): string => {
  const value = JSON.parse(text) as Record<string, unknown>
  change(value)
  return JSON.stringify(value)
}

/** A choice of profiles, sets (with an s) and networks with other numbers. */
const who = (written: string, elsewhere: NumberElsewhere): string =>
  written
    .split(',')
    .map((part) =>
      /^\d+$/.test(part)
        ? String(elsewhere('profile', Number(part)))
        : /^s\d+$/.test(part)
          ? `s${elsewhere('profile_set', Number(part.slice(1)))}`
          : part,
    )
    .join(',')

/** Where a block or a kept scope points to: its profiles, its tags, its poll. */
function within(part: Record<string, unknown>, elsewhere: NumberElsewhere): void {
  if (typeof part.who === 'string') part.who = who(part.who, elsewhere)
  if (typeof part.tag === 'number') part.tag = elsewhere('tag', part.tag)
  if (typeof part.hide === 'string') part.hide = who(part.hide, elsewhere)
  if (typeof part.watch === 'number') part.watch = elsewhere('rank_watch', part.watch)
  if (typeof part.poll === 'number') part.poll = elsewhere('poll', part.poll)
  if (typeof part.tags === 'string')
    part.tags = part.tags.replaceAll(/\d+/g, (tag) => String(elsewhere('tag', Number(tag))))
}

/** What points to other records elsewhere than in a column of its own. */
const SPECIAL: Readonly<Record<string, (row: PackageRow, elsewhere: NumberElsewhere) => PackageRow>> = {
  tag_rule: (row, elsewhere) => ({ ...row, who: who(String(row.who), elsewhere) }),
  saved_scope: (row, elsewhere) => ({ ...row, parts: mapped(String(row.parts), (parts) => within(parts, elsewhere)) }),
  report: (row, elsewhere) => ({
    ...row,
    blocks: mapped(String(row.blocks), (blocks) =>
      Object.values(blocks).forEach((block) => within(block as Record<string, unknown>, elsewhere)),
    ),
  }),
  planned_post: (row, elsewhere) => ({
    ...row,
    content: mapped(String(row.content), (content) => {
      for (const shown of (content.media ?? []) as { file: number }[]) shown.file = elsewhere('plan_file', shown.file)
      const preview = content.preview as { picture: number | null } | null | undefined
      if (preview?.picture) preview.picture = elsewhere('plan_file', preview.picture)
    }),
  }),
  link_page: (row, elsewhere) => ({
    ...row,
    items: mapped(String(row.items), (items) => {
      for (const item of Object.values(items) as { link: number | null }[])
        if (item.link !== null) item.link = elsewhere('tracked_link', item.link)
    }),
  }),
  post_tag: (row, elsewhere) => ({
    ...row,
    rule_id: row.rule_id === 0 ? 0 : elsewhere('tag_rule', Number(row.rule_id)),
  }),
  target_member: (row, elsewhere) => ({
    ...row,
    member_id: elsewhere(row.is_set === 1 ? 'profile_set' : 'profile', Number(row.member_id)),
  }),
  link_visit: (row, elsewhere) => ({ ...row, place_id: placeOf(row, elsewhere) }),
  link_visit_part: (row, elsewhere) => ({ ...row, place_id: placeOf(row, elsewhere) }),
}

const placeOf = (row: PackageRow, elsewhere: NumberElsewhere): number =>
  elsewhere(row.place === 'page' ? 'link_page' : 'tracked_link', Number(row.place_id))

/**
 * A record with the numbers that it and those it points to have elsewhere. What an edition has frozen stays to the
 * letter.
 *
 * @param kind       what the record is
 * @param row        its columns
 * @param elsewhere  the number that a record of a table has there
 * @throws           SyntaxError when a text that should be JSON is none, and what `elsewhere` throws
 * @example renumbered(membersOfSets, { set_id: 3, profile_id: 9 }, () => 1) // { set_id: 1, profile_id: 1 }
 */
export function renumbered(
  { id, refersTo = {} }: Pick<RecordKind, 'id' | 'refersTo'>,
  row: PackageRow,
  elsewhere: NumberElsewhere,
): PackageRow {
  const plain = { ...row }
  for (const [column, table] of Object.entries(refersTo))
    if (plain[column] !== null) plain[column] = elsewhere(table, Number(plain[column]))
  const own = ownNumber(id)
  if (own && own in plain) plain[own] = elsewhere(id, Number(plain[own]))
  return SPECIAL[id]?.(plain, elsewhere) ?? plain
}
