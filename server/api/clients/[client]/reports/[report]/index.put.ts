import { reportSchema } from '../../../../../../shared/report/reports'
import { bodyOf, clientRoute, idParam, LARGE_BODY } from '../../../../../platform/http/route'
import { badRequest } from '../../../../../platform/problems/problem'
import { composeReport, type ReportDefinition } from '../../../../../report/blocks/composeReport'
import { reportById, saveReport } from '../../../../../report/reports/reports'

/**
 * Saves a report, once it is known that it can be filled; a part that could not be filled before does not keep the
 * others from being mended.
 */
export default clientRoute('write', async ({ event, db }) => {
  const report = await bodyOf(event, reportSchema, LARGE_BODY)
  const before = await reportById(db, idParam(event, 'report', 'report'))
  const known = new Map(
    before.blocks.map((block) => [block.id, JSON.stringify([block.kind, block.metrics, block.option, block.who])]),
  )
  const isNew = ({ id, kind, metrics, option, who }: (typeof report.blocks)[number]) =>
    known.get(id) !== JSON.stringify([kind, metrics, option, who])
  if (report.period !== before.period || report.against !== before.against || report.blocks.some(isNew)) {
    const { blocks } = await composeReport(db, { ...(report as ReportDefinition), blocks: report.blocks.filter(isNew) })
    for (const block of blocks) if (block.kind === 'broken') throw badRequest(block.problem)
  }
  return { version: await saveReport(db, before.id, report) }
})
