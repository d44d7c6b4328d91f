import { expect, signIn, test } from './support/test'

test('the best and the worst posts stand beside each other, by a figure that is chosen', async ({ page }) => {
  await signIn(page)
  await page.goto('/mossgate-gardens/content')
  const section = page.getByRole('region', { name: 'Best and worst beside each other' })
  const best = section.getByRole('region', { name: 'Most interactions' }).getByRole('listitem')
  await expect(best).toHaveCount(3)
  const figures = async () =>
    (await section.locator('li .figure').allInnerTexts()).map((text) => Number(text.replaceAll(/[^\d.]/g, '')))
  const [first, second, third, ...worst] = await figures()
  expect(first! >= second! && second! >= third!).toBe(true)
  expect(worst).toEqual([...worst].sort((a, b) => a - b))
  expect(worst.at(-1)!).toBeLessThanOrEqual(third!)
  // the largest of the list of all posts is the best one
  await page.getByRole('combobox', { name: 'Order' }).click()
  await page.getByRole('option', { name: 'Most interactions' }).click()
  const top = page.getByRole('table').last().getByRole('row').nth(1).getByRole('cell').nth(4)
  await expect(top).toHaveText(first!.toLocaleString('en-GB'))
  await section.getByRole('combobox', { name: 'Ranked by' }).click()
  await page.getByRole('option', { name: 'by interactions for each impression' }).click()
  await section.getByRole('combobox', { name: 'How many at each end' }).click()
  await page.getByRole('option', { name: '5', exact: true }).click()
  await expect(page).toHaveURL(/ends=rate.*each=5|each=5.*ends=rate/)
  await expect(section.getByRole('region', { name: 'Lowest rate that is sure' }).getByRole('listitem')).toHaveCount(5)
  await page.reload()
  await expect(section.getByRole('region', { name: 'Highest rate that is sure' }).getByRole('listitem')).toHaveCount(5)
  await expect(
    section.getByRole('img', { name: /^Every post by interactions for each impression, from / }),
  ).toBeVisible()
  // as a file, and as a block of a report with what was chosen here
  await section.getByRole('button', { name: 'Download: The best and the worst' }).click()
  const download = page.waitForEvent('download')
  await page.getByRole('menuitem', { name: 'Table as CSV' }).click()
  let text = ''
  for await (const part of await (await download).createReadStream()) text += String(part)
  expect(text.split('\n').filter((line) => /^"?(best|worst)"?,/.test(line))).toHaveLength(10)
  await section.getByRole('button', { name: 'To a report: The best and the worst' }).click()
  const dialog = page.getByRole('dialog', { name: 'Add to a report' })
  await expect(dialog.getByRole('checkbox', { name: 'The best and the worst of them' })).toBeChecked()
})

test('formats are compared by their posts, and one of few posts says so', async ({ page }) => {
  await signIn(page)
  await page.goto('/mossgate-gardens/content?period=2026-10-26..2026-10-28')
  const section = page.getByRole('region', { name: 'Formats compared' })
  await expect(section.getByText(/only \d posts: too few to compare/).first()).toBeVisible()
  await page.goto('/mossgate-gardens/content?period=2026-09')
  await expect(section.getByText(/from [\d,]+ to [\d,]+, the middle half/).first()).toBeAttached()
  await section.getByRole('combobox', { name: 'Compared by' }).click()
  await page.getByRole('option', { name: 'by times its profile’s usual' }).click()
  await expect(page).toHaveURL(/formats=times/)
  await expect(section.getByText('By times its profile’s usual.')).toBeVisible()
  const medians = async () =>
    (await section.getByRole('row').locator('td:nth-child(3)').allInnerTexts())
      .map((text) => Number(text.replace(' ×', '')))
      .filter((value) => !Number.isNaN(value))
  expect((await medians()).length).toBeGreaterThan(3)
  expect(await medians()).toEqual([...(await medians())].sort((a, b) => b - a))
  await section.getByRole('button', { name: 'To a report: The formats' }).click()
  const dialog = page.getByRole('dialog', { name: 'Add to a report' })
  await expect(dialog.getByRole('checkbox', { name: 'Formats compared' })).toBeChecked()
})
