import { expect, signIn, test } from './support/test'

test('the best and the worst posts stand beside each other, by a figure that is chosen', async ({ page }) => {
  await signIn(page, '/mossgate-gardens/content')
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
  const top = page.getByRole('table').last().getByRole('row').nth(1).getByRole('cell').nth(5)
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
  await signIn(page, '/mossgate-gardens/content?period=2026-10-26..2026-10-28')
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
  await expect(async () => {
    const read = await medians()
    expect(read.length).toBeGreaterThan(3)
    expect(read).toEqual([...read].sort((first, second) => second - first))
  }).toPass({ timeout: 30_000 })
  await section.getByRole('button', { name: 'To a report: The formats' }).click()
  const dialog = page.getByRole('dialog', { name: 'Add to a report' })
  await expect(dialog.getByRole('checkbox', { name: 'Formats compared' })).toBeChecked()
})

test('posts are looked for by their words, shown some at a time, and go into a report as they were looked for', async ({
  page,
}) => {
  await signIn(page, '/mossgate-gardens/content?period=2026-07..2026-09')
  const rows = page.getByRole('table').last().locator('tbody tr')
  await expect(rows).toHaveCount(50)
  const [all] = /([\d,]+) posts/.exec(await page.locator('.choose').innerText())!.slice(1)
  await expect(page.getByText(`50 of ${all}`)).toBeVisible()
  await page.getByRole('button', { name: 'Show the next 50' }).click()
  await expect(rows).toHaveCount(100)
  const places = async () => new Set(await rows.allInnerTexts()).size
  expect(await places()).toBe(100)
  await page.getByRole('button', { name: 'with any words' }).click()
  const words = page.getByRole('dialog', { name: 'Words of the posts' })
  await words.getByLabel('Any of these words').fill('lanterns, "fern house"')
  await words.getByLabel('None of these words').fill('walk')
  await words.getByRole('button', { name: 'Look' }).click()
  await expect(page).toHaveURL(/any=lanterns/)
  await expect(page.getByRole('button', { name: 'with “lanterns” or “fern house”, without “walk”' })).toBeVisible()
  await expect(rows.first()).toContainText(/lanterns|fern house/i)
  for (const text of await rows.allInnerTexts()) expect(text).toMatch(/^(?!.*walk).*(lanterns|fern house)/is)
  // the best and the worst, and the formats, are of the same posts
  for (const text of await page.locator('li .post').allInnerTexts()) expect(text).toMatch(/lanterns|fern house/i)
  const total = Number(/([\d,]+) posts/.exec(await page.locator('.choose').innerText())![1]!.replace(',', ''))
  expect(total).toBeLessThan(Number(all!.replace(',', '')))
  const formats = page.getByRole('region', { name: 'Formats compared' })
  const counts = (await formats.locator('tbody td:last-child').allInnerTexts()).map(Number)
  expect(counts.reduce((sum, count) => sum + count, 0)).toBe(total)
  // a file, and nothing that is like that
  await page.getByRole('button', { name: 'Download: The posts' }).click()
  const download = page.waitForEvent('download')
  await page.getByRole('menuitem', { name: 'Table as CSV' }).click()
  let text = ''
  for await (const part of await (await download).createReadStream()) text += String(part)
  expect(text.trim().split('\r\n')).toHaveLength(total + 1)
  await page.goto('/mossgate-gardens/content?period=2026-09&all=nothing-like-that')
  await expect(page.getByText('No post of this period is like that.')).toBeVisible()
  await page.getByRole('button', { name: 'Show every post' }).click()
  await expect(rows.first()).toBeVisible()
})
