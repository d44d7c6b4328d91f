import { asSentence } from '../../../core/format/asSentence'
import { compareFigures } from '../../../core/rollup/compareFigures'
import { metricById } from '../../../core/metrics/catalogue'
import { SPLITS } from '../../../core/splits/splits'
import { orderPosts } from '../../../shared/read/postOrder'
import { stateOf } from '../../../shared/gather/profileState'
import { SCOPED_KINDS, type Block } from '../../../shared/report/blocks'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { notesIn } from '../../figures/questions/notes'
import { Problem } from '../../platform/problems/problem'
import { listPosts } from '../../read/content/listPosts'
import { lastSearch } from '../../gather/find/findProfiles'
import { GROUPINGS } from '../../../shared/read/overview'
import { lineOf, rowsBy } from '../../read/overview/overview'
import { splitOf } from '../../read/overview/parts'
import { narrowed } from '../../figures/narrowed'
import { profilesPage } from '../../gather/profiles/profilesPage'
import { resolveScope, SelfComparison, type ResolvedScope } from '../../figures/resolveScope'
import { sinceOf } from '../../figures/since'
import { subject } from '../../read/overview/subject'
import { targetsOf } from '../../read/targets/targets'
import { contextOf, rollUp } from '../../figures/rollUp'
import { unusual } from '../../read/unusual/unusual'
import { whatIsOpen } from '../../clients/whatIsOpen'
import { why } from '../../read/why/why'
import { Unreadable } from '../../../core/unreadable'
import type { ReportContent, FilledBlock, BlockBase } from '../../../shared/report/content'

/** How many posts a block lists where nothing else was chosen. */
const MOST_POSTS = 10

/** A report as it is defined. */
export interface ReportDefinition {
  title: string
  period: string
  against: string
  blocks: Block[]
}

/** What whoever asks may see beside the client's own figures. */
export interface Sight {
  rivals: boolean
}
const EVERYTHING: Sight = { rivals: true }

/**
 * Fills a report with the figures of its period, each with its working.
 *
 * @throws Unreadable when the period or a metric has no meaning
 */
export async function composeReport(
  db: ClientDb,
  report: ReportDefinition,
  sight = EVERYTHING,
): Promise<ReportContent> {
  const asked = { who: [], sets: [], period: report.period }
  const scope = await resolveScope(db, { ...asked, against: report.against }).catch((error: unknown) => {
    // fixed days that the period has come to by the calendar: there is nothing to compare, and the report can still be
    // opened
    if (error instanceof SelfComparison) return resolveScope(db, { ...asked, against: 'none' })
    throw error
  })
  const agency = await db.one<ReportContent['agency']>(sql`
    SELECT a.name, a.address, a.contact, a.colour, a.logo_svg AS logo
    FROM   client c
    JOIN   agency a ON a.agency_id = c.agency_id
    WHERE  c.client_id = ${db.client}`)
  const blocks: FilledBlock[] = []
  for (const block of report.blocks) blocks.push(await fillOrSay(db, scope, block, sight))
  return {
    format: 2,
    agency: { ...agency! },
    client: db.name,
    timeZone: db.timeZone,
    title: report.title,
    who: scope.words.who,
    period: scope.period,
    periodWords: scope.words.period,
    against: scope.comparison ? { period: scope.comparison.period, words: scope.words.against } : null,
    figuresUpTo: scope.lastComplete,
    since: sinceOf(scope),
    notes: await notesIn(db, scope.period),
    blocks,
  }
}

/** A block with its figures, or with the reason why it has none: the others stand all the same. */
export async function fillOrSay(db: ClientDb, scope: ResolvedScope, block: Block, sight: Sight): Promise<FilledBlock> {
  try {
    const own = SCOPED_KINDS.includes(block.kind) ? narrowed(scope, block.who) : scope
    return { ...(await fill(db, own, block, sight)), ...(own !== scope && { who: own.words.who }) }
  } catch (error) {
    if (!(error instanceof Unreadable) && !(error instanceof Problem)) throw error
    return {
      id: block.id,
      title: block.title,
      comment: block.comment,
      kind: 'broken',
      problem: asSentence(error.message),
    }
  }
}

/** A block as it is defined, filled with the figures of a scope. */
export async function fill(db: ClientDb, scope: ResolvedScope, block: Block, sight = EVERYTHING): Promise<FilledBlock> {
  const base = { id: block.id, title: block.title, comment: block.comment }
  if (block.kind === 'text') return { ...base, kind: 'text', text: block.text }
  if (block.kind === 'page') return { ...base, kind: 'page' }
  block.metrics.forEach(metricById)
  if (block.kind === 'chart') return await fillChart(db, scope, base, block)
  const [metric = 'impressions'] = block.metrics
  if (block.kind === 'why') return { ...base, kind: 'why', why: await why(db, scope, metric) }
  if (block.kind === 'unusual') return { ...base, kind: 'unusual', metric, days: await unusual(db, scope, metric) }
  if (block.kind === 'subject')
    return { ...base, kind: 'subject', subject: await subject(db, scope, metric, sight.rivals) }
  if (block.kind !== 'table' && block.kind !== 'figures') return await fillPlain(db, scope, base, block)
  const rolled = await rollUp(db, scope, block.metrics)
  if (block.kind === 'table') {
    const by = GROUPINGS.find((grouping) => grouping === block.option) ?? 'profile'
    return {
      ...base,
      kind: 'table',
      metrics: [...block.metrics],
      rows: rowsBy(db, scope, rolled, block.metrics, by),
      by,
    }
  }
  return {
    ...base,
    kind: 'figures',
    figures: block.metrics.map((metric) => compareFigures(metric, rolled, contextOf(db, scope, true))),
  }
}

/** The kinds that have no figures of metrics in them. */
async function fillPlain(
  db: ClientDb,
  scope: ResolvedScope,
  base: BlockBase,
  { kind, option, rows = MOST_POSTS, format }: Block,
): Promise<FilledBlock> {
  switch (kind) {
    case 'parts':
      return { ...base, kind, split: await splitOf(db, scope, option || SPLITS[0]!.id) }
    case 'targets':
      return { ...base, kind, targets: (await targetsOf(db)).targets }
    case 'posts':
      return {
        ...base,
        kind,
        order: option || 'interactions',
        posts: orderPosts(
          (await listPosts(db, scope)).filter((post) => !format || post.format === format),
          option || 'interactions',
        ).slice(0, rows),
      }
    case 'open': {
      const open = await whatIsOpen(db, scope)
      // that a report has no edition is nothing to say in that edition
      return { ...base, kind, open: { ...open, due: open.due.filter(({ kind: due }) => due === 'target') } }
    }
    case 'profiles':
      return {
        ...base,
        kind,
        rows: (await profilesPage(db))
          .filter(({ is_rival: rival }) => !rival)
          .map((row) => ({
            name: row.name,
            networkName: row.networkName,
            remoteId: row.remote_id,
            state: stateOf(row),
            oldest: row.oldest,
            strip: row.strip,
            missing: row.missing,
          })),
      }
    case 'found': {
      const { found, searchedAt } = await lastSearch(db)
      return { ...base, kind, found, searchedAt: searchedAt && new Date(searchedAt).toISOString() }
    }
    default:
      throw new Unreadable(`there is no block "${kind}"`)
  }
}

async function fillChart(
  db: ClientDb,
  scope: ResolvedScope,
  base: BlockBase,
  { metrics, option }: Block,
): Promise<FilledBlock> {
  const [metric = 'impressions', second] = metrics
  const rolled = await rollUp(db, scope, [metric, ...(second ? [second] : [])], { withDays: true, withPast: false })
  const alone = { current: rolled.current }
  return {
    ...base,
    kind: 'chart',
    line: lineOf(db, scope, metric, rolled),
    ...(second && { second: lineOf(db, scope, second, alone) }),
    isIndex: option === 'index',
  }
}
