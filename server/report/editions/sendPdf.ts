import { setResponseHeader, type H3Event } from 'h3'
import { fileName } from '../../platform/tables/about'
import { aboutContent } from './aboutContent'
import type { ClientDb } from '../../platform/database/clientDb'
import { Problem } from '../../platform/problems/problem'
import { editionPdf } from './editions'
import type { Edition } from '../../../shared/report/editions'
import { nameFile } from '../../platform/http/sendTables'

/** The PDF of an edition, or a word that it is still being made. */
export async function sendPdf(event: H3Event, db: ClientDb, edition: Edition): Promise<Buffer> {
  const pdf = await editionPdf(db, edition.id)
  if (!pdf)
    throw new Problem(404, 'Not ready', 'The PDF is still being made. Try again in a few seconds.', { retryAfter: 3 })
  setResponseHeader(event, 'Content-Type', 'application/pdf')
  nameFile(event, fileName(edition.title, aboutContent(edition.content, edition)), 'pdf', 'inline')
  return pdf
}
