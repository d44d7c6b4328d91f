import { array, mixed, number, object, reach, type Schema } from 'yup'
import { savedScopeSchema } from '../../../shared/figures/scopeFields'
import { contentSchema } from '../../../shared/plan/plannedPosts'
import { linkPageSchema } from '../../../shared/read/links'
import { placeSchema } from '../../../shared/read/places'
import { pollSchema } from '../../../shared/read/polls'
import { foundSchema } from '../../../shared/read/ranks'
import { entryRecordSchema } from '../../../shared/read/directories'
import { keptEstimateSchema } from '../../../shared/read/reachable'
import { templateSchema } from '../../../shared/read/reviews'
import { blockSchema } from '../../../shared/report/blocks'
import { JobFailed } from '../../platform/jobs/context'

const part = (schema: Schema, path: string) => reach(schema, path) as Schema

/**
 * What stands as JSON in a column, by table and column: the schemas by which the forms and routes take it. An edition is
 * none of these: it is as it was issued, which its checksum says.
 */
const SHAPES: Readonly<Record<string, Schema>> = {
  'kept_estimate.asked': part(keptEstimateSchema, 'asked'),
  'poll.answers': part(pollSchema, 'answers'),
  'link_page.items': part(linkPageSchema, 'items'),
  'place.categories': part(placeSchema, 'categories'),
  'place.attributes': part(placeSchema, 'attributes'),
  'place.pictures': part(placeSchema, 'pictures'),
  'reply_template.variants': part(templateSchema, 'variants'),
  'rank_check.found': foundSchema,
  'directory_entry.record': entryRecordSchema,
  'planned_post.content': contentSchema,
  'planned_post.expected': object({ slot: number().required(), number: number(), lift: mixed() }),
  'saved_scope.parts': part(savedScopeSchema, 'parts'),
  'report.blocks': array(blockSchema).max(60, 'A report can have 60 blocks.'),
}

/** What was kept by earlier versions is brought into today's form whenever it is read, so it may lack what came since. */
const READ_AS_KEPT = 'report.blocks'

/** The columns of JSON that are held to a schema, for a test that finds those that are not. */
export const SHAPED = Object.keys(SHAPES)

/**
 * Refuses JSON that no form here could have made.
 *
 * @throws JobFailed with what is wrong with it
 * @throws SyntaxError when it is no JSON at all
 */
export function refuseOtherShape(table: string, column: string, text: string): void {
  const name = `${table}.${column}`
  const value: unknown = JSON.parse(text)
  try {
    SHAPES[name]?.validateSync(value, { strict: name !== READ_AS_KEPT })
  } catch (error) {
    throw new JobFailed(`${column} is not as it has to be: ${(error as Error).message.replace(/\.$/, '')}`)
  }
}
