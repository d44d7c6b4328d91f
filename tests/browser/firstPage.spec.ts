import { readdirSync, readFileSync } from 'node:fs'
import { basename, join } from 'node:path'
import { gzipSync } from 'node:zlib'
import type { Page } from '@playwright/test'
import { root } from '../support/application'
import { ADDRESS, ANALYST, expect, test, VIEWER } from './support/test'

/** Signs somebody in, without the page of it. */
const comeAs = (page: Page, email: string) =>
  page.request.post('/api/session', {
    data: { email, password: process.env.ZAFFER_TEST_PASSWORD },
    headers: { origin: ADDRESS },
  })

/** Which addresses are scripts with a text in them: known from the build, so that no answer need be read as it comes. */
function scriptsWith(text: string): (url: URL) => boolean {
  const folder = join(root, '.output/public/_nuxt')
  const files = readdirSync(folder).filter((name) => name.endsWith('.js'))
  const found = new Set(files.filter((name) => readFileSync(join(folder, name), 'utf8').includes(text)))
  expect(found.size, text).toBeGreaterThan(0)
  return ({ pathname }) => found.has(basename(pathname))
}
const CHART = 'apexcharts-canvas'
const CHOICES = 'p-select-overlay'

/** Holds back what a page fetches. @returns what lets it go */
async function holdBack(page: Page, what: string | ((url: URL) => boolean)): Promise<() => void> {
  let release = () => {}
  const held = new Promise<void>((resolve) => (release = resolve))
  await page.route(what, async (route) => {
    await held
    await route.continue()
  })
  return release
}

test.describe('without a script', () => {
  test.use({ javaScriptEnabled: false })

  test('the overview is there with its sentence, its figures and its line', async ({ page }) => {
    await comeAs(page, ANALYST)
    await page.goto('/mossgate-gardens/overview?period=2026-10-01..2026-10-27')
    await expect(page.locator('header.scope')).toContainText('All 13 profiles from 1 to 27 October 2026 against')
    const figures = page.getByRole('region', { name: 'Headline figures' })
    await expect(figures.getByRole('button')).toHaveCount(5)
    const { figures: known } = (await (
      await page.request.get('/api/clients/mossgate-gardens/overview?period=2026-10-01..2026-10-27')
    ).json()) as { figures: { figure: { metric: string; value: number } }[] }
    const impressions = known.find(({ figure }) => figure.metric === 'impressions')!.figure.value
    await expect(figures).toContainText(impressions.toLocaleString('en-GB'))
    await expect(page.locator('figure svg path[d^="M"]').first()).toBeVisible()
    await expect(page.getByRole('table').getByRole('row')).toHaveCount(14)
    await expect(page.getByRole('complementary')).toContainText('Storm, gardens shut.')
    // what is wrong with an address is said, and the rest stands
    await page.goto('/mossgate-gardens/overview?period=nonsense')
    await expect(page.getByRole('alert').first()).toContainText('Write a period such as')
    await expect(page.getByRole('navigation', { name: 'Stages of the work' })).toBeVisible()
  })

  test('all clients are there with what moved and what waits', async ({ page }) => {
    await comeAs(page, ANALYST)
    await page.goto('/')
    await expect(page.getByRole('heading', { name: 'What needs you today?' })).toBeVisible()
    const clients = (await (await page.request.get('/api/clients')).json()) as {
      name: string
      figures: { figure: { value?: number } }[]
    }[]
    const rows = page.getByRole('region', { name: 'What moved' }).getByRole('row')
    await expect(rows).toHaveCount(clients.length + 1)
    for (const { name, figures } of clients) {
      const value = figures.find(({ figure }) => figure.value !== undefined && figure.value >= 1000)!.figure.value!
      await expect(rows.filter({ hasText: name })).toContainText(value.toLocaleString('en-GB'))
    }
  })

  test('it is for those who may see it', async ({ page }) => {
    await page.goto('/')
    await expect(page).toHaveURL(/\/sign-in$/)
    await page.goto('/mossgate-gardens/overview?period=last-month')
    await expect(page).toHaveURL(/\/sign-in\?to=\/mossgate-gardens\/overview/)
    await comeAs(page, VIEWER)
    await page.goto('/kittiwake-line/overview')
    await expect(page.getByRole('heading', { name: 'There is no such client here' })).toBeVisible()
    await expect(page.getByText(/[\d,]{4,} profile-days/)).toHaveCount(0)
  })
})

/** Adds up how far a page jumps while it is read. */
const watchShifts = (page: Page) =>
  page.addInitScript(() => {
    Object.assign(window, { shifted: 0 })
    new PerformanceObserver((list) =>
      list.getEntries().forEach((entry) => {
        ;(window as unknown as { shifted: number }).shifted += (entry as unknown as { value: number }).value
      }),
    ).observe({ type: 'layout-shift', buffered: true })
  })
const shiftsOf = (page: Page) => page.evaluate(() => (window as unknown as { shifted: number }).shifted)

test('faces that come late move nothing: what stands in for them is as wide', async ({ page }) => {
  await comeAs(page, ANALYST)
  await watchShifts(page)
  const release = await holdBack(page, '**/*.woff2')
  await page.goto('/mossgate-gardens/overview', { waitUntil: 'commit' })
  const words = page.locator('header.scope')
  await expect(words).toBeVisible()
  await expect(page.locator('.apexcharts-line-series path.apexcharts-line').first()).toBeVisible()
  const before = await words.boundingBox()
  release()
  await page.evaluate(async () => void (await document.fonts.ready))
  expect(await page.evaluate(() => document.fonts.check('1em "Source Serif 4 Variable"'))).toBe(true)
  await page.evaluate(() => new Promise((painted) => requestAnimationFrame(() => requestAnimationFrame(painted))))
  expect((await words.boundingBox())!.height).toBe(before!.height)
  expect(await shiftsOf(page)).toBeLessThan(0.005)
})

test('what was put away is not shown for a moment either', async ({ page }) => {
  await comeAs(page, ANALYST)
  await page.addInitScript(
    (key) => localStorage.setItem(key, '{"done":["figure"],"isAway":true}'),
    `zaffer:first:${ANALYST}`,
  )
  // what the server has drawn is looked at before any script of the page comes
  const release = await holdBack(page, '**/_nuxt/*.js')
  await page.goto('/', { waitUntil: 'commit' })
  await expect(page.getByRole('heading', { name: 'What moved' })).toBeVisible()
  await expect(page.locator('section.first')).toHaveCount(1)
  await expect(page.locator('section.first')).toBeHidden()
  release()
  await expect(page.locator('section.first')).toHaveCount(0)
  await expect(page.locator('html')).not.toHaveClass(/first-away/)
})

test('the line does not move when the chart takes its place, and nothing jumps', async ({ page }) => {
  await comeAs(page, ANALYST)
  await watchShifts(page)
  // the chart's own script is held back until the drawing was measured
  const release = await holdBack(page, scriptsWith(CHART))
  await page.goto('/mossgate-gardens/overview')
  const drawing = page.locator('figure .drawing svg path').last()
  await expect(drawing).toBeVisible()
  const before = await drawing.boundingBox()
  release()
  const chart = page.locator('.apexcharts-line-series path.apexcharts-line').first()
  await expect(chart).toBeVisible()
  await expect(page.locator('figure .drawing')).toHaveCount(0)
  const after = await chart.boundingBox()
  for (const side of ['x', 'y', 'width', 'height'] as const)
    expect(Math.abs(after![side] - before![side]), side).toBeLessThan(6)
  expect(await shiftsOf(page)).toBeLessThan(0.02)
})

test('what is pressed before the page listens is done as soon as it does', async ({ page }) => {
  await comeAs(page, ANALYST)
  // no script of the application comes until somebody has pressed something
  let release = await holdBack(page, '**/_nuxt/*.js')
  await page.goto('/mossgate-gardens/overview', { waitUntil: 'commit' })
  await page.locator('header.scope').getByRole('button').nth(1).click()
  await expect(page.getByRole('dialog', { name: 'Choose a period' })).toHaveCount(0)
  release()
  await expect(page.getByLabel('In words')).toBeFocused()
  release = await holdBack(page, '**/_nuxt/*.js')
  await page.goto('/mossgate-gardens/overview', { waitUntil: 'commit' })
  await expect(page.getByRole('region', { name: 'Headline figures' })).toBeVisible()
  await page.keyboard.press('?')
  release()
  await expect(page.getByRole('dialog', { name: /keys/i })).toBeVisible()
})

test('the overview listens with no more than 170 kB of script', async ({ page }) => {
  await comeAs(page, ANALYST)
  const html = await (await page.request.get('/mossgate-gardens/overview')).text()
  const files = new Set([...html.matchAll(/(?:href|src)="(\/_nuxt\/[^"]+\.js)"/g)].map(([, file]) => file!))
  expect(files.size).toBeGreaterThan(5)
  let bytes = 0
  for (const file of files) bytes += gzipSync(await (await page.request.get(file)).body()).length
  expect(bytes / 1024).toBeLessThanOrEqual(170)
})

test('a choice is fetched when it is first used, and what was pressed meanwhile is done', async ({ page }) => {
  let isAsked = false
  const isOfChoices = scriptsWith(CHOICES)
  page.on('request', (request) => (isAsked ||= isOfChoices(new URL(request.url()))))
  const releaseChoices = await holdBack(page, isOfChoices)
  // what stands below the line has choices too, and comes after it
  const releaseChart = await holdBack(page, scriptsWith(CHART))
  await comeAs(page, ANALYST)
  await page.goto('/mossgate-gardens/overview')
  const choice = page.getByRole('combobox', { name: 'Metric of the line' })
  await expect(choice).toHaveText('Impressions')
  expect(isAsked).toBe(false)
  await choice.click()
  await expect.poll(() => isAsked).toBe(true)
  await expect(page.getByRole('listbox')).toHaveCount(0)
  releaseChoices()
  releaseChart()
  await expect(page.getByRole('listbox')).toBeVisible()
  await page.getByRole('option', { name: 'Saves', exact: true }).click()
  await expect(page).toHaveURL(/metric=saves/)
  await expect(choice).toHaveText('Saves')
})

test('a choice that could not be fetched is asked for again at the next press', async ({ page, consoleErrors }) => {
  let refused = 0
  // what stands below the line has choices too, and stays away with the chart
  await holdBack(page, scriptsWith(CHART))
  await page.route(scriptsWith(CHOICES), (route) => (refused++ === 0 ? route.abort() : route.continue()))
  await comeAs(page, ANALYST)
  await page.goto('/mossgate-gardens/overview')
  const choice = page.getByRole('combobox', { name: 'Second line' })
  await choice.click()
  await expect.poll(() => refused).toBe(1)
  await expect(page.getByRole('listbox')).toHaveCount(0)
  await choice.click()
  await expect(page.getByRole('listbox')).toBeVisible()
  // the browser itself notes what it could not fetch
  consoleErrors.length = 0
})
