import { readFileSync } from 'node:fs'
import { expect, signIn, test } from './support/test'

test('what the field posts is read, looked at by itself, put in another order, taken away and put into a report', async ({
  page,
}) => {
  await signIn(page, '/mossgate-gardens/field')
  await page.getByRole('link', { name: 'Habits', exact: true }).click()
  const terms = page.getByRole('region', { name: 'Hashtags and words' }).getByRole('table')
  await expect(terms.getByRole('row').nth(1)).toBeVisible()
  // a hashtag by itself, from the table and from the field, and back
  const first = terms.getByRole('button', { name: /^#/ }).first()
  const hashtag = (await first.innerText()).trim()
  await first.click()
  await expect(page).toHaveURL(new RegExp(`term=${hashtag.slice(1)}`))
  await expect(page.getByRole('heading', { name: hashtag, exact: true })).toBeVisible()
  await expect(page.getByRole('img', { name: new RegExp(`^Posts with ${hashtag} by week`) })).toBeVisible()
  await page.goBack()
  await expect(page.getByRole('heading', { name: hashtag, exact: true })).toHaveCount(0)
  await page.getByLabel('By itself').fill('two words')
  await page.keyboard.press('Enter')
  await expect(page.getByText('Write one hashtag or word, without its sign.')).toBeVisible()
  await page.getByLabel('By itself').fill('#NobodyEver')
  await page.keyboard.press('Enter')
  await expect(page.getByText(/Nobody in this field has used #nobodyever/)).toBeVisible()
  await page.getByRole('button', { name: 'Close', exact: true }).click()
  await expect(page).not.toHaveURL(/term=/)

  await page.getByRole('combobox', { name: 'Hashtags or words' }).click()
  await page.getByRole('option', { name: 'words' }).click()
  await expect(terms.getByRole('button', { name: 'Word', exact: true })).toBeVisible()
  await page.getByRole('combobox', { name: 'What parts the corners' }).click()
  await page.getByRole('option', { name: 'formats by weekday' }).click()
  await expect(page).toHaveURL(/corners=format-weekday/)
  const corners = page.getByRole('region', { name: 'Where rivals are quiet' })
  await expect(corners.getByRole('cell', { name: /, (Mon|Tues|Wednes|Thurs|Fri|Satur|Sun)day$/ }).first()).toBeVisible()

  // without the client and on one network, as on the page of the field
  await page.getByRole('checkbox', { name: 'the client itself' }).uncheck()
  const rhythm = page.getByRole('region', { name: 'How often and when' })
  await expect(rhythm.getByRole('row', { name: /^Mossgate/ })).toHaveCount(0)
  await page.getByRole('combobox', { name: 'On which networks' }).click()
  await page.getByRole('option', { name: 'Tintype' }).click()
  await expect(page).toHaveURL(/network=tintype/)
  await expect(corners.getByRole('cell', { name: 'Tintype' }).first()).toBeVisible()
  await expect(corners.getByRole('cell', { name: 'Commons' })).toHaveCount(0)

  await page.getByRole('button', { name: 'Download: How often and when the field posts' }).click()
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('menuitem', { name: 'Table as CSV' }).click(),
  ])
  const table = readFileSync(await file.path(), 'utf8')
  for (const row of (await rhythm.getByRole('row').all()).slice(1)) {
    const [member, , , ...days] = await row.getByRole('cell').allInnerTexts()
    // the file has the weekdays before the week
    expect(table).toMatch(new RegExp(`${member!.trim()}"?,${days[7]},${days.slice(0, 7).join(',')},`))
  }

  await page.getByRole('button', { name: 'To a report: Where rivals are quiet' }).click()
  const dialog = page.getByRole('dialog', { name: 'Add to a report' })
  await expect(dialog.getByRole('checkbox', { name: 'Where rivals are quiet' })).toBeChecked()
  await expect(dialog.getByRole('checkbox', { name: 'What formats the field uses' })).not.toBeChecked()
  await dialog.getByRole('button', { name: /^Add/ }).click()
  await expect(dialog).toHaveCount(0)
  await page.goto('/mossgate-gardens/reports/1')
  await expect(page.getByRole('heading', { name: 'Where rivals are quiet' }).first()).toBeVisible()

  // with whom it compares, and where, is chosen at the block as well
  const block = page.locator('[data-block]').last()
  await expect(block.getByRole('cell', { name: 'Tintype' }).first()).toBeVisible()
  await page
    .getByRole('combobox', { name: /^Network of block \d+$/ })
    .last()
    .click()
  await page.getByRole('option', { name: 'Commons' }).click()
  await expect(block.getByRole('cell', { name: 'Commons' }).first()).toBeVisible()
  await expect(block.getByRole('cell', { name: 'Tintype' })).toHaveCount(0)
  const members = page.getByRole('button', { name: /^Members of block \d+: \d of 4 members$/ }).last()
  await members.click()
  await page.getByRole('checkbox', { name: 'Thornapple Park' }).uncheck()
  await expect(members).toHaveAccessibleName(/: 2 of 4 members$/)
  await expect(page.getByText('Saved', { exact: true })).toBeVisible()
})
