import { getDocument } from 'pdfjs-dist/legacy/build/pdf.mjs'
import { ADDRESS, expect, expectAccessible, signInByForm, test } from './support/test'

/** Impressions of a page for a day, as an export would have them: twice as many on one day. */
const EXPORT = 'Page ID;Date;Impressions\n10220431877650213;20/10/2026;500.000\n10220431877650213;21/10/2026;400.000\n'

/** The text of a PDF, the titles of its outline, and how many pages it has. */
async function readPdf(bytes: Buffer): Promise<{ text: string; outline: string[]; pages: number }> {
  const document = await getDocument({ data: new Uint8Array(bytes), verbosity: 0 }).promise
  const texts: string[] = []
  for (let number = 1; number <= document.numPages; number++) {
    const { items } = await (await document.getPage(number)).getTextContent()
    texts.push(items.map((item) => ('str' in item ? item.str : '')).join(' '))
  }
  const titles = (await document.getOutline()) as { title: string }[] | null
  return {
    text: texts.join(' ').replace(/\s+/g, ' '),
    outline: (titles ?? []).map(({ title }) => title),
    pages: document.numPages,
  }
}

test('from signing in to an edition that does not change', async ({ page, browser }) => {
  test.setTimeout(480_000)
  await signInByForm(page)

  await test.step('the overview of the last 28 complete days against the 28 before', async () => {
    await expect(page.getByRole('button', { name: '1 to 28 October 2026' })).toBeVisible()
    await expect(page.getByRole('button', { name: 'the 28 days before' })).toBeVisible()
    await expect(page.getByRole('heading', { name: 'Impressions a day' })).toBeVisible()
  })

  const impressions = page
    .getByRole('region', { name: 'Headline figures' })
    .getByRole('button', { name: /^Impressions/ })
  await expect(page.getByText(/First fetch running|first fetch is still running/)).toHaveCount(0)
  const before = Number((await impressions.locator('.number').innerText()).split('\n')[0]!.replaceAll(',', ''))

  await test.step('a figure opens its working', async () => {
    await impressions.click()
    const margin = page.getByRole('complementary', { name: /Margin/ })
    await expect(margin.getByRole('heading', { name: 'Workings: Impressions' })).toBeVisible()
    await expect(margin.getByText('@mossgate, Tintype')).toBeVisible()
    const parts = await margin.locator('.calc').first().locator('.line:not(.total) span:last-child').allInnerTexts()
    expect(parts.map((text) => Number(text.replaceAll(',', ''))).reduce((sum, value) => sum + value, 0)).toBe(before)
    await expect(margin.getByText('Tea at Mossgate, Commons: 11 Oct – 12 Oct 2026')).toBeVisible()
    await expectAccessible(page)
  })

  await test.step('a note stands on the chart', async () => {
    await page.keyboard.press('n')
    await page.getByRole('textbox', { name: 'Day', exact: true }).fill('15 Oct 2026')
    await page.getByLabel('What happened').fill('School holidays began.')
    await page.getByRole('button', { name: 'Keep the note' }).click()
    await expect(page.getByRole('complementary').getByRole('button', { name: 'School holidays began.' })).toBeVisible()
    await expect(page.locator('.apexcharts-xaxis-annotation-label').filter({ hasText: /^3$/ })).toBeVisible()
  })

  const bring = async () => {
    await page.getByRole('link', { name: 'Imports' }).click()
    await page
      .getByLabel('File', { exact: true })
      .setInputFiles({ name: 'october.csv', mimeType: 'text/csv', buffer: Buffer.from(EXPORT) })
    await page.getByRole('button', { name: 'Check the whole file' }).click()
    await expect(page.getByText('0 days would be added, 2 would be changed')).toBeVisible()
    await page.getByRole('button', { name: 'Write 2 rows' }).click()
    await expect(page.getByText('0 days added, 2 changed')).toBeVisible()
  }
  const shown = async () => {
    await page.getByRole('link', { name: 'Overview' }).click()
    await expect(impressions).toBeVisible()
    return Number((await impressions.locator('.number').innerText()).split('\n')[0]!.replaceAll(',', ''))
  }

  await test.step('an import has its effect, and its undo', async () => {
    await bring()
    await expect.poll(shown).toBeGreaterThan(before + 800_000)
    await page.getByRole('link', { name: 'Imports' }).click()
    await page.getByRole('link', { name: 'october.csv' }).first().click()
    await page.getByRole('button', { name: 'Undo the whole import' }).click()
    await expect(page.getByText('Everything stands as it did before the import.')).toBeVisible()
    await expect.poll(shown).toBe(before)
  })

  await test.step('a report is changed, commented and issued', async () => {
    await page.getByRole('link', { name: 'Reports' }).click()
    await page.getByRole('link', { name: 'Mossgate Gardens, four-week report', exact: true }).click()
    await page.getByRole('textbox', { name: 'Period' }).fill('1 to 28 October 2026')
    await page.getByRole('textbox', { name: 'Period' }).blur()
    await page
      .getByRole('textbox', { name: 'Comment on block 1', exact: true })
      .fill('Three days shut, and yet a good month.')
    await page.getByRole('textbox', { name: 'Comment on block 1', exact: true }).blur()
    await expect(page.getByRole('status').getByText('Saved', { exact: true })).toBeVisible()
    await page.getByRole('button', { name: 'Look at edition 1' }).click()
    await expect(
      page.getByRole('dialog', { name: 'The edition as it will be issued' }).getByText('not issued yet'),
    ).toBeVisible()
    await page.getByRole('button', { name: 'Issue edition 1' }).click()
    await page.waitForURL(/editions\/\d+/)
    await expect(page.getByText('checked: unchanged since it was issued')).toBeVisible()
    await expectAccessible(page)
  })
  const edition = page.url()

  await test.step('its PDF is a PDF', async () => {
    const link = page.getByRole('link', { name: 'PDF' })
    await expect(link).toBeVisible({ timeout: 90_000 })
    const pdf = await page.request.get(new URL((await link.getAttribute('href'))!, ADDRESS).href)
    expect(pdf.headers()['content-type']).toBe('application/pdf')
    const { text, outline, pages } = await readPdf(await pdf.body())
    // letters as subsets of faces, not as drawings of each
    const objects = (await pdf.body()).toString('latin1')
    expect(objects).toMatch(/\/BaseFont \/\w{6}\+SourceSerif4/)
    expect(objects).toMatch(/\/BaseFont \/\w{6}\+SourceSans3/)
    expect(objects).not.toContain('/Type3')
    for (const words of [
      'Mossgate Gardens, four-week report',
      'Three days shut, and yet a good month.',
      before.toLocaleString('en-GB'),
      'Edition 1',
      `Page 1 of ${pages}`,
    ])
      expect(text).toContain(words)
    expect(outline).toEqual(expect.arrayContaining(['Mossgate Gardens, four-week report']))
  })

  const link = await test.step('a link is made for it', async () => {
    await page.getByRole('button', { name: 'Share' }).click()
    await page.getByRole('button', { name: 'Make a link' }).click()
    await expect(page.getByLabel('Shared link')).toHaveValue(/\/shared\//)
    await expectAccessible(page)
    const value = await page.getByLabel('Shared link').inputValue()
    await page.keyboard.press('Escape')
    return value
  })
  const stranger = await (await browser.newContext()).newPage()

  await test.step('somebody who is not signed in reads it, and nothing else', async () => {
    await stranger.goto(link)
    await expect(stranger.getByRole('heading', { name: 'Mossgate Gardens, four-week report' })).toBeVisible()
    await expect(stranger.getByText('Three days shut, and yet a good month.')).toBeVisible()
    await expect(stranger.getByText(before.toLocaleString('en-GB')).first()).toBeVisible()
    await expectAccessible(stranger)
    const pdf = await stranger.request.get(`${link.replace('/shared/', '/api/shared/')}/pdf`)
    expect((await pdf.body()).subarray(0, 5).toString()).toBe('%PDF-')
    expect((await stranger.request.get(`${ADDRESS}/api/clients/mossgate-gardens/overview`)).status()).toBe(401)
  })

  await test.step('another import moves the live page and not the edition', async () => {
    await bring()
    await expect.poll(shown).toBeGreaterThan(before + 800_000)
    await page.goto(edition)
    await expect(page.getByText(before.toLocaleString('en-GB')).first()).toBeVisible()
    await expect(page.getByText('checked: unchanged since it was issued')).toBeVisible()
    await stranger.reload()
    await expect(stranger.getByText(before.toLocaleString('en-GB')).first()).toBeVisible()
    await page.getByRole('link', { name: 'Imports' }).click()
    await page.getByRole('link', { name: 'october.csv' }).first().click()
    await page.getByRole('button', { name: 'Undo the whole import' }).click()
    await expect.poll(shown).toBe(before)
  })

  await test.step('a link that was withdrawn opens nothing', async () => {
    await page.goto(edition)
    await page.getByRole('button', { name: 'Share' }).click()
    await page.getByRole('button', { name: 'Withdraw' }).click()
    await expect(page.getByText('withdrawn')).toBeVisible()
    const answer = await stranger.request.get(link.replace('/shared/', '/api/shared/'))
    expect(answer.status()).toBe(404)
  })
})
