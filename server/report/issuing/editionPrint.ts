import { editionById, keepPdf, shareEdition } from '../editions/editions'
import { log } from '../../platform/log'
import type { JobContext } from '../../platform/jobs/context'
import { jobModule } from '../../platform/jobs/job'
import { EDITION_PRINT } from '../editions/jobs'

const CHROMIUM = process.env.ZAFFER_CHROMIUM ?? '/usr/bin/chromium'
const ARGUMENTS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  '--font-render-hinting=none',
]
const TICKET_MINUTES = 5

/**
 * Makes the PDF of an edition from the page that readers see: A4, page numbers, real text, a contents outline. It is
 * made once: what was printed stays as it is, with the hash of its bytes, whoever asks again.
 */
async function editionPrint(context: JobContext): Promise<void> {
  const { db, job } = context
  const id = Number(job.subject)
  const edition = await editionById(db, id)
  if (edition.pdfSha256) return await context.finish(undefined, 'PDF ready')
  const ticket = await context.step((inside) =>
    shareEdition(inside, id, new Date(Date.now() + TICKET_MINUTES * 60_000), 'print'),
  )
  const pdf = await printPage(
    `${process.env.ZAFFER_APP_URL}/shared/${ticket}?print=1`,
    `${edition.content.client} · ${edition.title} · edition ${edition.number}`,
  )
  await context.finish((inside) => keepPdf(inside, id, pdf), 'PDF ready')
}

export const editionPrintJob = jobModule(EDITION_PRINT, editionPrint)

/** Prints a page of the application once it says that it is ready. */
export async function printPage(address: string, footer: string): Promise<Buffer> {
  // a second of every start, for what few processes do
  const { chromium } = await import('playwright-core')
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: ARGUMENTS })
  try {
    const page = await browser.newPage({ viewport: { width: 794, height: 1123 }, reducedMotion: 'reduce' })
    await page.goto(address, { waitUntil: 'commit' })
    await page.locator('[data-ready="true"]').waitFor({ timeout: 20_000 })
    await page.evaluate('document.fonts.ready')
    const text = footer.replace(/[&<>"]/g, (character) => `&#${character.codePointAt(0)};`)
    return await page.pdf({
      format: 'A4',
      printBackground: true,
      outline: true,
      tagged: true,
      displayHeaderFooter: true,
      headerTemplate: '<span></span>',
      footerTemplate:
        '<div style="font:8px sans-serif;color:#454F61;width:100%;padding:0 ' +
        `16mm;display:flex;justify-content:space-between"><span>${text}</span><span>Page <span ` +
        'class="pageNumber"></span> of <span class="totalPages"></span></span></div>',
      margin: { top: '16mm', bottom: '18mm', left: '16mm', right: '16mm' },
    })
  } finally {
    // what was printed does not wait for that
    browser.close().catch((error: unknown) => log.warn({ err: error }, 'the browser did not end'))
  }
}
