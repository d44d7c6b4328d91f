import type { ComparedFigure } from '../../core/rollup/compareFigures'
import { compareFigures } from '../../core/rollup/compareFigures'
import { metricById } from '../../core/metrics/catalogue'
import type { Period } from '../../core/periods/period'
import type { Against } from '../../core/periods/comparison'
import type { Block } from '../../shared/scope'
import type { ClientDb } from '../db/clientDb'
import { sql } from '../db/sql'
import { dayTotals } from '../db/questions/dayTotals'
import { notesIn, type Note } from '../db/questions/notes'
import { lineOf, profileTable, type MetricLine, type ProfileFigures } from '../work/overview'
import { resolveScope, type ResolvedScope } from '../work/resolveScope'
import { columnsFor, contextOf, rollUp } from '../work/rollUp'
import { unusual, type UnusualFinding } from '../work/unusual'
import { why, type Why } from '../work/why'

interface BlockBase {
  id: string
  title: string
  comment: string
}

/** A block with its figures in it. */
export type FilledBlock = BlockBase & (
  | { kind: 'figures'; figures: ComparedFigure[] }
  | { kind: 'chart'; line: MetricLine }
  | { kind: 'table'; metrics: string[]; rows: ProfileFigures[] }
  | { kind: 'why'; why: Why }
  | { kind: 'unusual'; metric: string; days: UnusualFinding[] }
  | { kind: 'text'; text: string }
)

/** Everything that a report says for one period: what the screen, the shared link and the PDF show, and what an edition freezes. */
export interface ReportContent {
  format: 1
  agency: { name: string; address: string; contact: string; colour: string; logo: string | null }
  client: string
  title: string
  who: string
  period: Period
  periodWords: string
  against: { period: Period; words: string } | null
  figuresUpTo: string
  notes: Note[]
  blocks: FilledBlock[]
}

/** A report as it is defined. */
export interface ReportDefinition {
  title: string
  period: string
  against: Against
  blocks: Block[]
}

/**
 * Fills a report with the figures of its period, each with its working.
 *
 * @throws RangeError when the period or a metric has no meaning
 */
export async function composeReport(db: ClientDb, report: ReportDefinition): Promise<ReportContent> {
  const scope = await resolveScope(db, { who: [], sets: [], period: report.period, against: report.against })
  const agency = await db.one<ReportContent['agency']>(sql`
    SELECT a.name, a.address, a.contact, a.colour, a.logo_svg AS logo
    FROM   client c
    JOIN   agency a ON a.agency_id = c.agency_id
    WHERE  c.client_id = ${db.client}`)
  const blocks: FilledBlock[] = []
  for (const block of report.blocks) blocks.push(await fill(db, scope, block))
  return {
    format: 1, agency: { ...agency! }, client: db.name, title: report.title, who: scope.words.who,
    period: scope.period, periodWords: scope.words.period,
    against: scope.comparison ? { period: scope.comparison.period, words: scope.words.against } : null,
    figuresUpTo: scope.lastComplete, notes: await notesIn(db, scope.period), blocks,
  }
}

async function fill(db: ClientDb, scope: ResolvedScope, block: Block): Promise<FilledBlock> {
  const base = { id: block.id, title: block.title, comment: block.comment }
  if (block.kind === 'text') return { ...base, kind: 'text', text: block.text }
  block.metrics.forEach(metricById)
  if (block.kind === 'chart') return await fillChart(db, scope, base, block.metrics[0] ?? 'impressions')
  const [metric = 'impressions'] = block.metrics
  if (block.kind === 'why') return { ...base, kind: 'why', why: await why(db, scope, metric) }
  if (block.kind === 'unusual') return { ...base, kind: 'unusual', metric, days: await unusual(db, scope, metric) }
  const rolled = await rollUp(db, scope, block.metrics)
  if (block.kind === 'table') return { ...base, kind: 'table', metrics: [...block.metrics], rows: profileTable(db, scope, rolled, block.metrics) }
  return { ...base, kind: 'figures', figures: block.metrics.map((metric) => compareFigures(metric, rolled, contextOf(db, scope, true))) }
}

async function fillChart(db: ClientDb, scope: ResolvedScope, base: BlockBase, metric: string): Promise<FilledBlock> {
  const ids = scope.connected.map(({ profile_id: profile }) => profile)
  const current = await dayTotals(db, ids, scope.period, columnsFor([metric]))
  const earlier = scope.comparison && (await dayTotals(db, ids, scope.comparison.period, columnsFor([metric])))
  return { ...base, kind: 'chart', line: lineOf(db, scope, metric, current, earlier) }
}
