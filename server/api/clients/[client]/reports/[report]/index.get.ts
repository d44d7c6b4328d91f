import { Unreadable } from '../../../../../../core/unreadable'
import type { ClientDb } from '../../../../../platform/database/clientDb'
import { sendRemembered } from '../../../../../figures/sendRemembered'
import { clientRoute, idParam } from '../../../../../platform/http/route'
import type { Sight } from '../../../../../figures/reportBlock'
import { composeReport } from '../../../../../report/blocks/composeReport'
import { reportById } from '../../../../../report/reports/reports'

/**
 * A report with the figures of its period, live. One whose period has no day yet is opened all the same, so that it can
 * be mended: it says why it is empty.
 */
export default clientRoute('reports', async ({ event, db, released }) => {
  const id = idParam(event, 'report', 'report')
  const rivals = released.includes('rivals')
  return await sendRemembered(event, db, (db) => opened(db, id, { rivals }), rivals ? '' : 'without rivals')
})

async function opened(db: ClientDb, id: number, sight: Sight) {
  const report = await reportById(db, id)
  try {
    return { report, content: await composeReport(db, report, sight) }
  } catch (error) {
    if (!(error instanceof Unreadable)) throw error
    return { report, content: null, problem: error.message }
  }
}
