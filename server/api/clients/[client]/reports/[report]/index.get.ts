import { Unreadable } from '../../../../../../core/unreadable'
import type { ClientDb } from '../../../../../db/clientDb'
import { sendRemembered } from '../../../../../http/remembering'
import { clientRoute, idParam } from '../../../../../http/route'
import { composeReport } from '../../../../../reports/content'
import { reportById } from '../../../../../reports/reports'

/** A report with the figures of its period, live. One whose period has no day yet is opened all the same, so that it can be mended: it says why it is empty. */
export default clientRoute('read', async ({ event, db }) => {
  const id = idParam(event, 'report', 'report')
  return await sendRemembered(event, db, () => opened(db, id))
})

async function opened(db: ClientDb, id: number) {
  const report = await reportById(db, id)
  try {
    return { report, content: await composeReport(db, report) }
  } catch (error) {
    if (!(error instanceof Unreadable)) throw error
    return { report, content: null, problem: error.message }
  }
}
