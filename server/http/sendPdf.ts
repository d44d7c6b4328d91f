import { setResponseHeader, type H3Event } from 'h3'
import { aboutContent, fileName } from '../exports/about'
import type { ClientDb } from '../db/clientDb'
import { Problem } from '../problems/problem'
import { editionPdf, type Edition } from '../reports/editions'
import { nameFile } from './sendTables'

/** The PDF of an edition, or a word that it is still being made. */
export async function sendPdf(event: H3Event, db: ClientDb, edition: Edition): Promise<Buffer> {
  const pdf = await editionPdf(db, edition.id)
  if (!pdf) throw new Problem(404, 'Not ready', 'The PDF is still being made. Try again in a few seconds.', { retryAfter: 3 })
  setResponseHeader(event, 'Content-Type', 'application/pdf')
  nameFile(event, fileName(edition.title, aboutContent(edition.content, edition)), 'pdf', 'inline')
  return pdf
}
