import { expect, signIn, test } from './support/test'

test('the calendar goes from week to week by keys, and opens a day and a post', async ({ page }) => {
  await signIn(page, '/mossgate-gardens/calendar?on=2026-10-14')
  await expect(
    page.getByText('12 October to 18 October 2026').or(page.getByText('12 to 18 October 2026')),
  ).toBeVisible()
  // the storm: nothing was posted
  await expect(page.getByRole('region', { name: 'Monday 12' }).getByText('nothing on any network')).toBeVisible()
  await expect(page.getByText(/a week usually has/)).toBeVisible()
  await page.keyboard.press(',')
  await expect(page).toHaveURL(/on=2026-10-07/)
  await page.keyboard.press('.')
  await page.keyboard.press('.')
  await expect(page).toHaveURL(/on=2026-10-21/)
  await expect(page.getByRole('region', { name: 'Wednesday 21' })).toBeVisible()
  const entry = page
    .getByRole('region', { name: 'Wednesday 21' })
    .getByRole('button', { name: /on (Tintype|Commons|Zoetrope|Murmur)/ })
  await entry.first().click()
  await expect(entry.first()).toHaveAttribute('aria-pressed', 'true')
  await page.getByRole('complementary').getByRole('link', { name: 'What it has brought' }).click()
  await expect(page).toHaveURL(/\/content\/\d+\//)
  await page.goBack()
  await page.getByRole('button', { name: 'Wed 21' }).click()
  await expect(page).toHaveURL(/span=day/)
  await page.keyboard.press('t')
  await expect(page).not.toHaveURL(/on=/)
})

test('a month shows every day, its gaps, and who posts how often', async ({ page }) => {
  await signIn(page, '/mossgate-gardens/calendar?span=month&on=2026-10-14')
  await expect(page.getByText(/Nothing on any network: 10 Oct – 12 Oct 2026/)).toBeVisible()
  await expect(page.getByRole('button', { name: 'The day 10 Oct 2026' })).toBeVisible()
  await page.getByRole('combobox', { name: 'Which format' }).click()
  await page.getByRole('option', { name: 'story alone' }).click()
  await expect(page).toHaveURL(/only=story/)
  await expect(page.getByText(/Nothing on any network/)).toBeHidden()
  await page.getByRole('combobox', { name: 'Rhythm by what' }).click()
  await page.getByRole('option', { name: 'by profile' }).click()
  await expect(page.getByRole('table').getByRole('row', { name: /@mossgate, Tintype/ })).toBeVisible()
  await page.getByRole('combobox', { name: 'How much is seen at once' }).click()
  await page.getByRole('option', { name: 'by week' }).click()
  await expect(page.getByText(/The curve down each day is the audience of Tintype/)).toBeVisible()
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'As iCalendar' }).click(),
  ])
  expect(file.suggestedFilename()).toBe('Mossgate Gardens, posts, 2026-10-12 to 2026-10-18.ics')
})
