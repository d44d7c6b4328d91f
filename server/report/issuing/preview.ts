import { canonicalJson } from '../../../core/reports/canonicalJson'
import { asOfNow, type ClientDb } from '../../platform/database/clientDb'
import { composeReport } from '../blocks/composeReport'
import { sha256 } from '../editions/editions'
import { missingIn } from './missing'
import { reportById } from '../reports/reports'
import type { Preview } from '../../../shared/report/preview'

/** Fills a report as of one moment, as issuing does, and says what is missing in it. */
export const previewOf = (db: ClientDb, reportId: number): Promise<Preview> =>
  asOfNow(db, async (inside) => {
    const report = await reportById(inside, reportId)
    const content = await composeReport(inside, report)
    return { number: report.editions + 1, content, sha256: sha256(canonicalJson(content)), missing: missingIn(content) }
  })
