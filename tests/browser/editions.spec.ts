import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { thawed } from '../../shared/report/thawed'
import type { ReportContent } from '../../shared/report/reportContent'
import { root } from '../support/application'
import { expect, signIn, test } from './support/test'

const folder = join(root, 'tests/support/editions')
const lines = (text: string) =>
  text
    .split('\n')
    .map((line) => line.trim())
    .filter((line) => line !== '')

/** An edition with content that was frozen by the application of 29 October 2026. */
const opened = (content: ReportContent) => ({
  edition: {
    id: 999,
    reportId: 1,
    number: 1,
    title: content.title,
    periodWords: content.periodWords,
    periodTo: content.period.to,
    issuedAt: '2026-10-29T06:00:00.000Z',
    issuedBy: 'Ada Pellow',
    sha256: '00ea826bb1f403342fcb06c7f9b17ee372b0def1bc691b56f03d3bcc5ed2bca0',
    isSuperseded: 0,
    content,
    isIntact: true,
    hasPdf: true,
    pdfSha256: null,
    supersededBy: null,
    supersedes: [],
  },
  printing: null,
  shares: [],
})

test('an edition of before is drawn as it was, whatever blocks look like today', async ({ page }) => {
  const content = thawed(JSON.parse(readFileSync(join(folder, 'format-2.json'), 'utf8')) as ReportContent)
  let shown = content
  await page.route('**/api/clients/mossgate-gardens/editions/999', (route) => route.fulfill({ json: opened(shown) }))
  await signIn(page, '/mossgate-gardens/editions/999')
  const article = page.locator('article[data-ready=true]')
  await expect(article).toBeVisible()
  const frozen = lines(readFileSync(join(folder, 'format-2.txt'), 'utf8')).filter((line) => !/PDF/.test(line))
  expect(lines(await article.innerText())).toEqual(frozen)
  await expect(article.locator('strong', { hasText: 'good' })).toBeVisible()
  // before there were marks, a star was a star
  shown = { ...content, format: 1 }
  await page.reload()
  await expect(article.getByText('the week was **good**:')).toBeVisible()
  await expect(article.getByText('The *storm* of the **20th** is in it.')).toBeVisible()
})
