import { getQuery, getRouterParam } from 'h3'
import { metricById } from '../../../../../core/metrics/catalogue'
import { figureSetById } from '../../../../../core/metrics/figureSets'
import { BREAKDOWNS } from '../../../../../core/breakdowns/breakdowns'
import { parseScope } from '../../../../../shared/figures/scope'
import { columnsSchema, headlinesSchema } from '../../../../../shared/read/overviewChoices'
import { blockSchema, type Block } from '../../../../../shared/report/blocks'
import { aboutScope } from '../../../../figures/aboutScope'
import { tableOf } from '../../../../report/blocks/tableOf'
import { clientRoute } from '../../../../platform/http/route'
import { sendTables } from '../../../../platform/http/sendTables'
import { forbidden, NOT_RELEASED } from '../../../../platform/problems/problem'
import { fill, fillOrSay } from '../../../../report/blocks/composeReport'
import { resolveScope } from '../../../../figures/resolveScope'

/** Blocks about the agency's own work. */
const WORK: readonly string[] = ['open', 'profiles', 'found']

/** Blocks that somebody of single places may have of those. */
const OF_PLACES: readonly string[] = ['places', 'place', 'reviews', 'questions', 'directories']

/** What blocks have of their own, by the names that it has in an address too. */
const OWN_FIELDS = [
  'group',
  'any',
  'all',
  'none',
  'tags',
  'paid',
  'published',
  'watch',
  'place',
  'shows',
  'tag',
  'on',
  'before',
  'after',
  'poll',
  'network',
  'own',
  'hide',
  'line',
  'as',
  'part',
  'terms',
  'corners',
  'response',
  'base',
  'weeks',
  'zone',
  'wanted',
  'apart',
]

/**
 * What a part of a page shows, as CSV or XLSX: the same table that a report's block of that kind would have. `overview`
 * is all that the overview shows, a sheet for each part.
 */
export default clientRoute('places', async ({ event, db, person, released }) => {
  const query = getQuery(event)
  const scope = await resolveScope(db, parseScope(query))
  const sight = { rivals: released.includes('rivals') }
  const kind = getRouterParam(event, 'kind') ?? ''
  if (db.only && !OF_PLACES.includes(kind)) throw forbidden(NOT_RELEASED)
  if (kind === 'overview') {
    const filled = await Promise.all((await overviewBlocks(query)).map((block) => fillOrSay(db, scope, block, sight)))
    return await sendTables(
      event,
      'Overview',
      filled.flatMap((block) => tableOf(block, db.timeZone) ?? []),
      aboutScope(db, scope),
    )
  }
  const block = await asked({
    kind,
    metrics: list(query.metrics),
    option: query.option ?? '',
    ...(query.rows !== undefined && { rows: query.rows }),
    ...(query.only !== undefined && { format: query.only }),
    ...Object.fromEntries(OWN_FIELDS.flatMap((name) => (query[name] ? [[name, query[name]]] : []))),
  })
  if (person.role === 'viewer' && WORK.includes(block.kind)) throw forbidden(NOT_RELEASED)
  const table = tableOf(await fill(db, scope, block, sight), db.timeZone)
  return await sendTables(event, table?.name ?? 'Table', table ? [table] : [], aboutScope(db, scope))
})

const list = (value: unknown): string[] => (typeof value === 'string' && value !== '' ? value.split(',') : [])
const asked = (part: object): Promise<Block> => blockSchema.validate({ id: 'download', ...part })

/** The parts of the overview as blocks, as its address has them. */
async function overviewBlocks(query: Record<string, unknown>): Promise<Block[]> {
  const metric = String(query.metric ?? 'impressions')
  const set = figureSetById(String(query.figures ?? ''))
  const columns = query.columns === undefined ? [] : columnsSchema.validateSync(list(query.columns))
  const headlines = query.headlines === undefined ? [] : headlinesSchema.validateSync(list(query.headlines))
  // a metric that there is not is said, and leaves no part out in silence
  ;[metric, ...list(query.second), ...headlines, ...columns].forEach(metricById)
  return await Promise.all(
    [
      { kind: 'figures', metrics: headlines.length > 0 ? headlines : [...set.headlines] },
      { kind: 'chart', metrics: [metric, ...list(query.second)] },
      { kind: 'table', metrics: columns.length > 0 ? columns : [...set.table], option: String(query.by ?? 'profile') },
      { kind: 'subject', metrics: [metric] },
      { kind: 'targets' },
      { kind: 'breakdown', option: String(query.breakdown ?? BREAKDOWNS[0]!.id) },
      { kind: 'why', metrics: [metric] },
      { kind: 'unusual', metrics: [metric] },
      { kind: 'posts' },
    ].map(asked),
  )
}
