import { expect, expectAccessible, signIn, test } from './support/test'

const headline = (name: string) => ({ name: new RegExp(`^${name}`) })

test('periods are compared with their own kind, by words, by keys and by days of one’s own', async ({ page }) => {
  await signIn(page)
  await test.step('a month against the whole month before, with both lengths', async () => {
    await page.getByRole('button', { name: '1 to 28 October 2026' }).click()
    await page.getByLabel('In words').fill('September 2026')
    await expect(page.getByText('1 to 30 September 2026', { exact: true })).toBeVisible()
    await page.keyboard.press('Enter')
    await expect(page.getByRole('button', { name: 'the month before, August 2026 (31 days against 30)' })).toBeVisible()
    await expect(page).toHaveURL(/period=2026-09/)
    await expect(
      page.getByRole('region', { name: 'Headline figures' }).getByRole('button', headline('Impressions')),
    ).toContainText(/a day/)
  })
  await test.step('the keys for earlier and later move by a month', async () => {
    await page.keyboard.press(',')
    await expect(page.getByRole('button', { name: '1 to 31 August 2026' })).toBeVisible()
    // one key after the other, faster than the answers, which are held back
    await page.route('**/scope?*', async (route) => {
      await new Promise((resolve) => setTimeout(resolve, 400))
      await route.continue()
    })
    await page.keyboard.press('.')
    await page.keyboard.press('.')
    // October is not over: its days so far against the same days of September
    await expect(page.getByRole('button', { name: '1 to 28 October 2026' })).toBeVisible()
    await expect(
      page.getByRole('button', { name: 'the same days of the month before, 1 to 28 September 2026' }),
    ).toBeVisible()
    await page.unroute('**/scope?*')
  })
  await test.step('days of one’s own are typed, kept in the address and said', async () => {
    await page.getByRole('button', { name: /^the same days of the month before/ }).click()
    await page.getByLabel('Days of your own').fill('against 3 to 30 September')
    await page.getByRole('button', { name: 'Compare', exact: true }).click()
    await expect(page.getByRole('button', { name: '3 to 30 September 2026' })).toBeVisible()
    await page.reload()
    await expect(page.getByRole('button', { name: '3 to 30 September 2026' })).toBeVisible()
    await page.getByRole('button', { name: '3 to 30 September 2026' }).click()
    await page.getByLabel('Days of your own').fill('1–28 Oct 2026')
    await page.getByRole('button', { name: 'Compare', exact: true }).click()
    await expect(page.getByText('A period cannot be compared with itself.')).toBeVisible()
  })
})

test('words that can be two periods are asked about', async ({ page }) => {
  await signIn(page)
  const open = async (words: string) => {
    await page.locator('header.scope').getByRole('button', { name: /2026$/ }).first().click()
    await page.getByLabel('In words').fill(words)
    await page.keyboard.press('Enter')
  }
  await open('Oct 26')
  await expect(page.getByText('can be the day or the month')).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'October 2026, the whole month' }).click()
  await expect(page.getByRole('button', { name: '1 to 28 October 2026' })).toBeVisible()
  await open('5/6/2026')
  await expect(page.getByText(/some write the day first/)).toBeVisible()
  await expect(page.getByRole('button', { name: '6 May 2026' })).toBeVisible()
  await page.getByRole('button', { name: '5 Jun 2026' }).click()
  await expect(page.getByRole('button', { name: '5 June 2026' })).toBeVisible()
})

test('a change says what it rests on, what may be nothing and what is usual', async ({ page }) => {
  await signIn(page)
  const strip = page.getByRole('region', { name: 'Headline figures' })
  const margin = page.getByRole('complementary', { name: /Margin/ })

  await test.step('both numbers stand beside a change that is not clear, too, and in the margin how often chance makes one', async () => {
    const interactions = strip.getByRole('button', headline('Interactions'))
    const [, now, then] = /no clear change: ([\d,]+) from ([\d,]+)/.exec(await interactions.innerText())!
    await interactions.click()
    await expect(margin.getByText(`It rests on ${now} now and ${then} then, over the`)).toBeVisible()
    await expect(
      margin.getByText(/chance alone makes such numbers differ as much in [\d.]+\s?% of cases/),
    ).toBeVisible()
  })

  await test.step('both numbers that it rests on stand beside the figure and in the margin', async () => {
    await page.goto('/mossgate-gardens/overview?against=same-dates-last-year')
    const interactions = strip.getByRole('button', headline('Interactions'))
    await expect(interactions).toContainText('from')
    const [, now, then] = /: ([\d,]+) from ([\d,]+)/.exec(await interactions.innerText())!
    await interactions.click()
    await expect(margin.getByText(`It rests on ${now} now and ${then} then, over the`)).toBeVisible()
    await expect(margin.getByText(/Four of five such changes over the past year lay between/)).toBeVisible()
    const shown = (text: string) => Number(text.replaceAll(',', ''))
    const percent = Number(/([\d.]+)\s?%/.exec(await interactions.innerText())![1])
    expect(Math.abs(100 * (shown(now!) / shown(then!) - 1))).toBeCloseTo(percent, 0)
    await page.goto('/mossgate-gardens/overview')
    await expect(strip.getByText('no clear change').first()).toBeVisible()
  })

  await test.step('what is not clear has neither mark nor colour', async () => {
    const unclear = strip.getByText('no clear change').first()
    await expect(unclear).toBeVisible()
    const colour = (locator: typeof unclear) => locator.evaluate((element) => getComputedStyle(element).color)
    expect(await colour(unclear)).toBe(await colour(strip.locator('.label').first()))
    for (const text of await strip.locator('span[title]').filter({ hasText: 'no clear change' }).allInnerTexts())
      expect(text).not.toMatch(/[▲▼]/)
  })

  await test.step('a cell of the table says it on focus', async () => {
    const cell = page.getByRole('button', { name: /^Interactions of @mossgate on Tintype/ })
    await cell.focus()
    await page.keyboard.press('Tab')
    await page.keyboard.press('Shift+Tab')
    await expect(cell.locator('xpath=following-sibling::*')).toBeVisible()
    await expect(cell).toHaveAttribute('aria-label', /from [\d,]+/)
  })

  await test.step('on paper it is a footnote', async () => {
    await page.emulateMedia({ media: 'print' })
    await expect(page.locator('ul.notes li').first()).toContainText('It rests on')
    await page.emulateMedia({ media: 'screen' })
    await expect(page.locator('ul.notes')).toBeHidden()
  })
})

test('a storm is one finding, over its days and profiles, and its explanation one change', async ({ page }) => {
  await signIn(page, '/mossgate-gardens/overview?metric=impressions#unusual')
  const unusual = page.getByRole('region', { name: 'Unusual days' })
  await expect(unusual.getByRole('listitem').first()).toContainText(/profiles/)
  await expect(unusual.getByRole('listitem').first()).toContainText('Explained by note 1')
  await unusual.getByText('By profile').first().click()
  await expect(unusual.getByText(/@mossgate, Tintype [\d,]+, usually [\d,]+/).first()).toBeVisible()
  await page.goto('/mossgate-gardens/overview?metric=engagement_by_impressions')
  const why = page.getByRole('region', { name: 'Why engagement by impressions changed' })
  await expect(why.getByRole('heading')).toHaveCount(3)
  const sentences = await why.locator('.explanation > p:first-of-type').allInnerTexts()
  const heads = sentences.map((sentence) => sentence.split('.').slice(0, 2).join('.'))
  expect(new Set(heads).size).toBe(1)
})
