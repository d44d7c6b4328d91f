import { expect, signIn, test } from './support/test'

test('a keyword is read at the door and over its points, by pointer and by keys, and goes into a report', async ({
  page,
}) => {
  await signIn(page, '/mossgate-gardens/ranks')
  const table = page.getByRole('table').first()
  await expect(table.getByRole('row')).toHaveCount(6)
  await table.getByRole('button', { name: 'tea room' }).click()
  await expect(page).toHaveURL(/watch=\d/)
  await expect(page.getByRole('heading', { name: '“tea room” on the map, Mossgate tea rooms' })).toBeVisible()
  const points = page.getByRole('group', { name: 'Ranks from 37 points around Mossgate tea rooms' })
  await expect(points.getByRole('button')).toHaveCount(37)
  const door = points.getByRole('button', { pressed: true })
  await expect(door).toHaveAccessibleName(/^Point 19, at its door: \d+$/)
  // the ranks on the map are those that the figures beside it count
  const first = (await points.getByRole('button').all()).map(async (disc) =>
    Number(/: (\d+)$/.exec((await disc.getAttribute('aria-label'))!)?.[1] ?? 99),
  )
  const inFirst = (await Promise.all(first)).filter((rank) => rank <= 3).length
  await expect(page.locator('dd').first()).toContainText(`${inFirst} of 37 points`)
  await expect(page.locator('dd').first()).toContainText('more than usual')
  // a step to the east by keys says who stands there
  await door.focus()
  await page.keyboard.press('ArrowRight')
  await expect(page.getByRole('heading', { name: /^Point 20, 0\.6 km east$/ })).toBeVisible()
  await expect(points.getByRole('button', { pressed: true })).toBeFocused()
  await page.keyboard.press('ArrowDown')
  // straight below lies none: of the two beside it either is the next
  await expect(page.getByRole('heading', { name: /^Point (26, 0\.6|27, 1\.0) km south-east$/ })).toBeVisible()
  await page.getByRole('combobox', { name: 'What the discs show' }).click()
  await page.getByRole('option', { name: 'the difference' }).click()
  await expect(page).toHaveURL(/shows=difference/)
  await expect(points.getByText(/^−\d/).first()).toBeVisible()
  const standings = page.getByRole('table').filter({ hasText: 'Median rank' })
  await standings.getByRole('button', { name: 'Difference' }).click()
  await expect(page).toHaveURL(/standings=difference/)
  await page.getByRole('button', { name: 'Checks as a table' }).click()
  await expect(page.getByRole('table').filter({ hasText: 'Rank at the door' })).toBeVisible()

  await page.getByRole('button', { name: 'To a report: The points' }).click()
  const dialog = page.getByRole('dialog', { name: 'Add to a report' })
  await dialog.getByRole('checkbox', { name: 'The keyword that is shown' }).check()
  await dialog.getByRole('button', { name: /^Add/ }).click()
  await expect(dialog).toHaveCount(0)
  await page.goto('/mossgate-gardens/reports/1')
  await expect(page.getByText('Who stands in the first three').first()).toBeVisible()
  await expect(page.getByRole('img', { name: 'Ranks from 37 points around Mossgate tea rooms' })).toBeVisible()
})

test('a keyword is looked for, with what it takes, checked now, changed, removed and brought back', async ({
  page,
}) => {
  await signIn(page, '/mossgate-gardens/ranks')
  await page.getByRole('button', { name: 'Look for a keyword' }).click()
  const dialog = page.getByRole('dialog', { name: 'A keyword to look for' })
  await dialog.getByRole('button', { name: 'Look for it' }).click()
  await expect(dialog.getByText('Write what people search for.')).toBeVisible()
  await expect(dialog.getByText('Choose a place.')).toBeVisible()
  await dialog.getByLabel('What people search for').fill('plant nursery')
  await dialog.getByRole('combobox', { name: 'Place' }).click()
  await page.getByRole('option', { name: 'Mossgate plant shop' }).click()
  await dialog.getByRole('combobox', { name: 'From where' }).click()
  await page.getByRole('option', { name: 'points around it, as squares' }).click()
  await expect(dialog.getByRole('status')).toContainText('A check takes 49 points')
  await dialog.getByLabel('Rings around the place').fill('9')
  await dialog.getByRole('button', { name: 'Look for it' }).click()
  await expect(dialog.getByText('There are 7 rings at the most.')).toBeVisible()
  await dialog.getByLabel('Rings around the place').fill('2')
  await expect(dialog.getByRole('status')).toContainText('A check takes 25 points')
  await dialog.getByRole('button', { name: 'Look for it' }).click()
  await expect(page.getByRole('heading', { name: '“plant nursery” on the map, Mossgate plant shop' })).toBeVisible()
  await expect(
    page.getByText('It was not checked in this period.').or(page.getByText('In the first three')).first(),
  ).toBeVisible()

  // the rhythm may have looked already; then a check of today is there
  await page.getByRole('button', { name: 'Check now' }).click()
  await expect(page.getByText(/25 points were checked|It was checked today already/).first()).toBeVisible()
  await page.reload()
  await expect(page.getByRole('group', { name: 'Ranks from 25 points around Mossgate plant shop' })).toBeVisible()
  await page.getByRole('combobox', { name: 'How often it is checked' }).click()
  await page.getByRole('option', { name: 'when I ask for it' }).click()
  await expect(page.getByText(/as squares, when I ask for it\./)).toBeVisible()
  await page.getByRole('button', { name: 'Remove “plant nursery”' }).click()
  await expect(page.getByRole('table').first().getByRole('button', { name: 'plant nursery' })).toHaveCount(0)
  await page.getByRole('alert').filter({ hasText: 'looked for no more' }).getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('table').first().getByRole('button', { name: 'plant nursery' })).toBeVisible()
})
