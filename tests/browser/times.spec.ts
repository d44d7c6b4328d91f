import { expect, signIn, test } from './support/test'

test('the week is read by pointer and by keys, and the choice is in the address', async ({ page }) => {
  await signIn(page, '/mossgate-gardens/times')
  const week = page.getByRole('slider', { name: /The week, hour by hour/ })
  await expect(week).toBeVisible()
  await expect(page.getByText(/it matters when they are published: by/)).toBeVisible()
  await expect(page.getByText(/up to 28 Oct 2026/).first()).toBeVisible()
  await expect(page.getByText('against')).toBeHidden()
  const slots = page.getByRole('table').filter({ hasText: 'Lift over usual' })
  await expect(slots.getByRole('row')).toHaveCount(6)
  // the best of them is the one that stands in the margin
  await expect(slots.getByRole('row').nth(1)).toContainText('Thursday 20:00')
  await expect(page.getByRole('heading', { name: 'Slot 1: Thursday 20:00' })).toBeVisible()
  await week.focus()
  await page.keyboard.press('ArrowRight')
  await expect(page.getByRole('heading', { name: 'Thursday 21:00' })).toBeVisible()
  await expect(week).toHaveAttribute('aria-valuetext', /^Thursday 21:00: [\d,]+ followers there/)
  await page.keyboard.press('ArrowUp')
  await page.keyboard.press('Home')
  await expect(page.getByRole('heading', { name: 'Wednesday 00:00' })).toBeVisible()
  await expect(page).toHaveURL(/slot=48/)
  // the next key goes on from where the last one leads, also while the address is on its way there
  await week.evaluate(async (element) => {
    for (const key of ['ArrowDown', 'ArrowRight', 'ArrowRight']) {
      element.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true }))
      for (let turn = 0; turn < 5; turn++) await Promise.resolve()
    }
  })
  await expect(page.getByRole('heading', { name: 'Thursday 02:00' })).toBeVisible()
  await expect(page).toHaveURL(/slot=74/)
  const box = (await week.boundingBox())!
  await week.click({ position: { x: box.width * 0.9, y: box.height * 0.9 } })
  await expect(page.getByRole('heading', { name: /^Sunday 2\d:00/ })).toBeVisible()
  await slots.getByRole('button', { name: 'Saturday 10:00' }).click()
  await expect(page.getByRole('heading', { name: 'Slot 2: Saturday 10:00' })).toBeVisible()
  await page.getByRole('complementary').getByRole('link').last().click()
  await expect(page).toHaveURL(/\/content\/\d+\//)
})

const choose = async (page: import('@playwright/test').Page, label: string, option: string) => {
  await page.getByRole('combobox', { name: label }).click()
  await page.getByRole('option', { name: option, exact: true }).click()
}

test('the suggestion changes with what is wanted', async ({ page }) => {
  await signIn(page, '/kittiwake-line/times', 'ada@halyardrow.example')
  await expect(page.getByText(/no day and no hour stands out/).first()).toBeVisible()
  await expect(page.getByText('the audience is there').first()).toBeVisible()
  await page.goto('/mossgate-gardens/times')
  const slots = page.getByRole('table').filter({ hasText: 'Lift over usual' })
  await choose(page, 'How many slots a week', '2 slots a week')
  await expect(slots.getByRole('row')).toHaveCount(3)
  await choose(page, 'By what', 'by comments')
  await expect(page).toHaveURL(/response=comments/)
  await choose(page, 'On which networks', 'on Lantern')
  await expect(page.getByText('No network of these profiles tells when followers are there.')).toBeVisible()
  await page.goBack()
  await choose(page, 'In whose time', 'in the time of United States')
  await expect(page).toHaveURL(/zone=US/)
  await choose(page, 'The week or one day', 'Thursday alone')
  await expect(page.getByRole('slider', { name: /^Thursday, hour by hour/ })).toBeVisible()
  await choose(page, 'What the lines are', 'lines: interactions arriving')
  await expect(page.getByText(/When people responded, whatever the time of publishing/)).toBeVisible()
})

test('tries are kept and taken back', async ({ page }) => {
  await signIn(page, '/orrery-press/times')
  await choose(page, 'How many tries', '3 tries')
  await choose(page, 'Who posts them', 'Orrery Press, Commons')
  await page.getByRole('button', { name: 'Keep these 3 tries' }).click()
  const kept = page.getByRole('table').filter({ hasText: 'Thought before' })
  await expect(kept.getByRole('row')).toHaveCount(4)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(kept).toBeHidden()
  await page.getByRole('button', { name: 'Keep these 3 tries' }).click()
  await expect(kept.getByText('still to come').first()).toBeVisible()
  await kept
    .getByRole('button', { name: /^Remove the try of/ })
    .first()
    .click()
  await expect(kept.getByRole('row')).toHaveCount(3)
  await page.getByRole('alert').filter({ hasText: 'The try is removed.' }).getByRole('button', { name: 'Undo' }).click()
  await expect(kept.getByRole('row')).toHaveCount(4)
})
