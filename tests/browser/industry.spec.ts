import { expect, signIn, test } from './support/test'

test('profiles stand beside their industry; a figure is written down, changed, removed, and more come from a file', async ({
  page,
}) => {
  await signIn(page)
  await page.getByRole('link', { name: 'Industry', exact: true }).click()
  const beside = page.getByRole('region', { name: 'Beside the industry' })
  const own = beside.getByRole('row', { name: /^Engagement rate by post @mossgate, Tintype/ })
  // what was made up says so wherever it is shown
  await expect(own).toContainText('(invented)')
  await expect(own).toContainText('lowest quarter')
  await expect(
    beside.getByRole('row', { name: /Interactions for each post @mossgate, Tintype.*as it says itself/ }),
  ).toBeVisible()
  await beside.getByRole('combobox', { name: 'Which measure' }).click()
  await page.getByRole('option', { name: 'posts a week' }).click()
  await expect(page).toHaveURL(/measure=week_posts/)
  const [, , , value, middle, index] = await beside
    .getByRole('row', { name: /^Posts a week @mossgate, Tintype/ })
    .getByRole('cell')
    .allInnerTexts()
  expect(Number.parseFloat(middle!)).toBe(4)
  expect(Math.abs(Number(index) - 25 * Number(value))).toBeLessThan(2)

  const figures = page.getByRole('region', { name: 'Figures of the industry' })
  await figures.getByRole('button', { name: 'Write a figure down' }).click()
  const dialog = page.getByRole('dialog', { name: 'A figure of the industry' })
  await dialog.getByRole('combobox', { name: 'Measure' }).click()
  await page.getByRole('option', { name: 'Posts a week' }).click()
  await dialog.getByRole('combobox', { name: 'Accounts on' }).click()
  await page.getByRole('option', { name: 'Tintype' }).click()
  await dialog.getByRole('textbox', { name: 'Of followers from' }).fill('20,000')
  await dialog.getByRole('textbox', { name: 'To below' }).fill('30,000')
  await dialog.getByRole('textbox', { name: 'Lower quartile' }).fill('9')
  await dialog.getByRole('textbox', { name: 'Middle (median)' }).fill('8')
  await dialog.getByRole('button', { name: 'Keep the figure' }).click()
  await expect(dialog.getByText('Say where the figure is from.')).toBeVisible()
  await expect(dialog.getByText('The lower quartile lies above the middle.')).toBeVisible()
  await dialog.getByRole('textbox', { name: 'Lower quartile' }).fill('6')
  await dialog.getByRole('textbox', { name: 'Source' }).fill('A survey of our own')
  await dialog.getByRole('button', { name: 'Keep the figure' }).click()
  await expect(dialog).toHaveCount(0)
  // the figure of its very size comes before that of its network
  const placed = beside.getByRole('row', { name: /^Posts a week @mossgate, Tintype/ })
  await expect(placed).toContainText('A survey of our own')
  await figures.getByRole('button', { name: /^Change the figure: Posts a week on Tintype, accounts of 20,000/ }).click()
  const change = page.getByRole('dialog', { name: 'Change a figure of the industry' })
  await expect(change.getByRole('textbox', { name: 'Middle (median)' })).toHaveValue('8')
  await change.getByRole('textbox', { name: 'Source' }).fill('A second survey')
  await change.getByRole('button', { name: 'Keep the figure' }).click()
  await expect(placed).toContainText('A second survey')
  await figures.getByRole('button', { name: /^Remove: Posts a week on Tintype, accounts of 20,000/ }).click()
  await expect(placed).not.toContainText('A second survey')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(placed).toContainText('A second survey')

  await figures.getByRole('button', { name: 'Figures from a file' }).click()
  const file = page.getByRole('dialog', { name: 'Figures from a file' })
  await file.getByLabel('File').setInputFiles({
    name: 'industry.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      'Measure,Network,Median,Source,Date\nClick rate,,1.1 %,A yearbook,2026-03-01\nClick rate,,0.011,A yearbook,2026-03-01\n',
    ),
  })
  await expect(file.getByText('1 new, 0 there already, 1 refused.')).toBeVisible()
  await expect(file.getByText(/Row 3: Write “0.011” in percent/)).toBeVisible()
  await file.getByRole('button', { name: 'Take 1 figure' }).click()
  await expect(figures.getByRole('row', { name: /^Click rate any/ })).toBeVisible()
  await page.getByRole('alert').filter({ hasText: '1 figure added.' }).getByRole('button', { name: 'Undo' }).click()
  await expect(figures.getByRole('row', { name: /^Click rate any/ })).toHaveCount(0)
})
