import { asSentence } from '../../../core/format/asSentence'
import { metricById } from '../../../core/metrics/catalogue'
import { declarationOf, type Block } from '../../../shared/report/blocks'
import type { ClientDb } from '../../platform/database/clientDb'
import { sql } from '../../platform/database/sql'
import { notesIn } from '../../figures/questions/notes'
import { Problem } from '../../platform/problems/problem'
import { narrowed } from '../../figures/narrowed'
import { resolveScope, SelfComparison, type ResolvedScope } from '../../figures/resolveScope'
import { sinceOf } from '../../figures/since'
import { Unreadable } from '../../../core/unreadable'
import { headingOf } from '../../../shared/report/headingOf'
import type { ReportContent, FilledBlock } from '../../../shared/report/reportContent'
import type { Sight } from '../../figures/reportBlock'
import { reportBlockOf } from './kinds'

/** A report as it is defined. */
export interface ReportDefinition {
  title: string
  period: string
  against: string
  blocks: Block[]
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
    const own = declarationOf(block.kind).isScoped ? narrowed(scope, block.who) : scope
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
  block.metrics.forEach(metricById)
  const { version } = declarationOf(block.kind)
  const filled = {
    id: block.id,
    title: block.title,
    comment: block.comment,
    kind: block.kind,
    ...(version > 1 && { version }),
    ...(await reportBlockOf(block.kind).fill({ db, scope, block, metric: block.metrics[0] ?? 'impressions', sight })),
  } as FilledBlock
  const heading = block.title ? '' : headingOf(filled)
  return { ...filled, ...(heading && { heading }) }
}
