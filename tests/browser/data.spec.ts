import { readFile } from 'node:fs/promises'
import { strFromU8, unzipSync } from 'fflate'
import { expect, signIn, test } from './support/test'

test('what is kept of a client is counted, and all of it is downloaded', async ({ page }) => {
  await signIn(page)
  await page.getByRole('link', { name: 'Data', exact: true }).click()
  const days = page.getByRole('row').filter({ hasText: 'Figures by day' })
  await expect(days).toContainText('networks, files')
  await page.getByRole('button', { name: 'Rows' }).click()
  await expect(page).toHaveURL(/sort=rows\.down/)
  await expect(page.getByRole('row').nth(1)).toContainText('Breakdowns by day')
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Download all data' }).click(),
  ])
  expect(download.suggestedFilename()).toMatch(/^Mossgate Gardens, all data, \d{4}-\d\d-\d\d\.zip$/)
  const files = unzipSync(await readFile((await download.path())!))
  const { resources } = JSON.parse(strFromU8(files['datapackage.json']!)) as { resources: { path: string }[] }
  for (const { path } of resources) expect(Object.keys(files)).toContain(path)
  const rows = strFromU8(files['data/profile_day.csv']!).split('\r\n').length - 2
  await expect(days).toContainText(rows.toLocaleString('en-GB'))
})
