import { Unreadable } from '../../../../../../core/unreadable'
import { clientRoute, idParam } from '../../../../../http/route'
import { composeReport } from '../../../../../reports/content'
import { reportById } from '../../../../../reports/reports'

/** A report with the figures of its period, live. One whose period has no day yet is opened all the same, so that it can be mended: it says why it is empty. */
export default clientRoute('read', async ({ event, db }) => {
  const report = await reportById(db, idParam(event, 'report', 'report'))
  try {
    return { report, content: await composeReport(db, report) }
  } catch (error) {
    if (!(error instanceof Unreadable)) throw error
    return { report, content: null, problem: error.message }
  }
})
