import { sql } from '../../platform/database/sql'

/** What everybody can see of what a post has brought: reactions, comments and shares; nothing where none is known. */
export const OPEN_INTERACTIONS = sql`COALESCE(p.reactions, 0) + COALESCE(p.comments, 0) + COALESCE(p.shares, 0)`

/** The first of them that is known: null of a post of which nobody can see any. */
export const ANY_OPEN = sql`COALESCE(p.reactions, p.comments, p.shares)`

/** The same sum, and null where none of them is known. */
export const OPEN_OR_NONE = sql`IF(${ANY_OPEN} IS NULL, NULL, ${OPEN_INTERACTIONS})`
