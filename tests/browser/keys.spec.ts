import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Locator, Page } from '@playwright/test'
import { root } from '../support/application'
import { ADDRESS, expect, signIn, test } from './support/test'

const OPEN = '[role="dialog"], [role="menu"], [role="listbox"]:not(#found)'
const PAGES = [
  '/',
  '/me',
  ...[
    'overview',
    'overview?headlines=reach,clicks',
    'content',
    'content/9/703119280207460',
    'tags',
    'audience',
    'reachable',
    'traffic',
    'links',
    'times',
    'calendar',
    'calendar/2',
    'places',
    'places/2',
    'ranks',
    'directories',
    'questions',
    'reviews',
    'field',
    'habits',
    'industry',
    'profiles',
    'find',
    'imports',
    'data',
    'reports',
    'reports/1',
    'editions',
  ].map((page) => `/mossgate-gardens/${page}`),
]

/**
 * What every dialog and popover of the sources is called, as patterns: those whose name is given by whoever uses them
 * stand with them.
 */
function namesInSources(): { name: string; pattern: RegExp }[] {
  const texts = readdirSync(join(root, 'app'), { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.vue'))
    .map((file) => readFileSync(join(root, 'app', file), 'utf8'))
  const tags = texts.flatMap((text) =>
    [...text.matchAll(/<Opening(?:Dialog|Popover)\b[^>]*?\s(:?)label="([^"]+)"/g)].map(([, bound, value]) => ({
      bound,
      value: value!,
    })),
  )
  const names = tags.flatMap(({ bound, value }) =>
    bound ? [...value.matchAll(/'([^']+)'|`([^`]+)`/g)].map(([, plain, template]) => plain ?? template!) : [value],
  )
  return names.map((name) => ({
    name,
    pattern: new RegExp(
      `^${name
        .split(/\$\{[^}]+\}/)
        .map((part) => part.replace(/[.*+?^$()[\]{}|\\]/g, '\\$&'))
        .join('.+')}$`,
    ),
  }))
}

/** The name of what lies over the page, for whoever hears it. */
const nameOf = (open: Locator) =>
  open.evaluate(
    (element) =>
      element.getAttribute('aria-label') ??
      document.getElementById(element.getAttribute('aria-labelledby') ?? '')?.textContent ??
      '',
  )

/** Whether the focus is in what opened; a field with a list keeps it, and says which entry it is at. */
const hasFocus = (page: Page) =>
  page.evaluate((selector) => {
    const at = document.activeElement
    return (
      at?.closest(selector) != null ||
      (at?.getAttribute('role') === 'combobox' && at.getAttribute('aria-expanded') === 'true')
    )
  }, OPEN)

/**
 * What is open has the focus and keeps it, no shortcut works beside it, and Escape gives the focus back. Gives its
 * name.
 */
async function expectModal(page: Page, opener?: Locator, below = 0): Promise<string> {
  await expect(page.locator(OPEN)).toHaveCount(below + 1)
  const open = page.locator(OPEN).last()
  await expect(open).toBeVisible()
  const name = await nameOf(open)
  await expect.poll(() => hasFocus(page), { message: `the focus goes into “${name}”` }).toBe(true)
  const isField = await page.evaluate(() => document.activeElement?.getAttribute('role') === 'combobox')
  // Tab leaves a menu and closes it; its entries are reached with the arrow keys (ARIA Authoring Practices, menu)
  const isMenu = (await open.getAttribute('role')) === 'menu'
  if (!isField && !isMenu) {
    const address = page.url()
    for (let step = 0; step < 9; step++) {
      await page.keyboard.press(step % 4 === 3 ? 'Shift+Tab' : 'Tab')
      expect(await hasFocus(page), `Tab stays in “${name}”`).toBe(true)
    }
    await page
      .locator(OPEN)
      .last()
      .evaluate((element) => element.dispatchEvent(new KeyboardEvent('keydown', { key: '.', bubbles: true })))
    expect(page.url(), `no shortcut works beside “${name}”`).toBe(address)
  }
  await page.keyboard.press('Escape')
  await expect(page.locator(OPEN), `Escape closes “${name}”`).toHaveCount(below)
  if (opener) await expect(opener, `the focus comes back from “${name}”`).toBeFocused()
  return name
}

/** What opens the same for each thing that it is named after. */
const NAMED_AFTER = new RegExp(
  '(Change the (?:set|target|figure)|Download:|To a report:|Consent link for|Restated figures of|' +
    'Add what needs somebody at|Add a rule to|Mend|Say whose).*',
)

/** The first of what opens something whose kind was not opened yet: “Change the set …” of each set opens the same. */
async function unwalked(openers: Locator, walked: Set<string>): Promise<{ index: number; kind: string } | undefined> {
  const labels = await openers.evaluateAll((elements) =>
    elements.map(
      (element) =>
        `${element.getAttribute('aria-haspopup')} ${element.getAttribute('aria-label') ?? element.textContent}`,
    ),
  )
  return labels
    .map((label, index) => ({
      index,
      kind: label.replace(/\d+/g, 'N').replace(NAMED_AFTER, '$1'),
    }))
    .find(({ kind }) => !walked.has(kind))
}

test('every popover and dialog takes the focus, keeps it and gives it back, found by itself', async ({
  page,
  consoleErrors,
}) => {
  test.setTimeout(600_000)
  await signIn(page)
  // an edition to share, made as the page makes it
  const ask = async (method: 'post' | 'put' | 'delete', path: string, data: object = {}) => {
    const answer = await page.request[method](`/api/clients/mossgate-gardens/${path}`, {
      data,
      headers: { origin: ADDRESS },
    })
    expect(answer.ok()).toBe(true)
    return (await answer.json()) as { id: number }
  }
  const { id: report } = await ask('post', 'reports/1/copy', {})
  const { id: ofField } = await ask('post', 'reports', { title: 'The field', blocks: [{ id: 'f', kind: 'field' }] })
  await ask('post', `reports/${report}/editions`, { requestKey: crypto.randomUUID() })
  await expect
    .poll(
      async () =>
        ((await (await page.request.get('/api/clients/mossgate-gardens/editions')).json()) as unknown[]).length,
    )
    .toBeGreaterThan(0)
  const [edition] = (await (await page.request.get('/api/clients/mossgate-gardens/editions')).json()) as {
    id: number
  }[]

  // one profile with figures that its network has restated
  const restate = () =>
    page.route('**/api/clients/mossgate-gardens/profiles', async (route) => {
      const answer = await route.fetch()
      const body = (await answer.json()) as { profiles: { restatements: number }[] }
      body.profiles[0]!.restatements = 2
      await route.fulfill({ response: answer, json: body })
    })
  const seen = new Set<string>()
  const walked = new Set<string>()
  for (const path of [...PAGES, `/mossgate-gardens/editions/${edition!.id}`, `/mossgate-gardens/reports/${ofField}`]) {
    if (path.endsWith('/profiles')) await restate()
    await page.goto(path)
    await page.getByRole('heading', { level: 1 }).or(page.locator('header.scope')).first().waitFor()
    await page.waitForLoadState('networkidle')
    const openers = page.locator('[aria-haspopup]:visible:not([disabled])')
    // each is found anew: what was open may have changed the page
    for (let next = await unwalked(openers, walked); next; next = await unwalked(openers, walked)) {
      walked.add(next.kind)
      const opener = openers.nth(next.index)
      await opener.focus()
      await page.keyboard.press('Enter')
      // what a dialog opens in its turn
      const inner = page.locator('[role="dialog"] [aria-haspopup="dialog"]').first()
      if (
        (await page.locator(OPEN).last().waitFor({ timeout: 30_000 }), await inner.count()) > 0 &&
        !walked.has('inner')
      ) {
        walked.add('inner')
        await inner.focus()
        await page.keyboard.press('Enter')
        seen.add(await expectModal(page, inner, 1))
      }
      seen.add(await expectModal(page, opener))
    }
    // as long as anything is routed, the browser keeps no script from one page to the next
    await page.unrouteAll({ behavior: 'wait' })
  }

  await test.step('two versions of a report', async () => {
    await page.goto(`/mossgate-gardens/reports/${report}`)
    await page.getByRole('textbox', { name: 'Title', exact: true }).waitFor()
    await ask('put', `reports/${report}`, {
      title: 'Changed elsewhere',
      period: 'last-28-days',
      against: 'before',
      blocks: [],
      version: 1,
    })
    await page.getByRole('textbox', { name: 'Title', exact: true }).fill('Changed here')
    const opener = page.getByRole('button', { name: 'See both versions' })
    await opener.focus()
    await page.keyboard.press('Enter')
    seen.add(await expectModal(page, opener))
    await opener.click()
    await page.getByRole('button', { name: 'Take theirs' }).click()
    await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible()
    // the browser itself notes the refusal
    consoleErrors.length = 0
  })

  await test.step('what is chosen before it is sent or placed', async () => {
    await page.goto('/mossgate-gardens/directories')
    await page.getByRole('checkbox', { name: 'Send ours: Opening hours to Islepages' }).check()
    const opener = page.getByRole('button', { name: 'Send ours in 1' })
    await opener.focus()
    await page.keyboard.press('Enter')
    seen.add(await expectModal(page, opener))
    await page.getByRole('button', { name: 'Mossgate quay kiosk' }).first().click()
    const ask = page.getByRole('button', { name: 'Ask The Pilot Index for an entry' })
    await ask.focus()
    await page.keyboard.press('Enter')
    seen.add(await expectModal(page, ask))
    await page.goto('/mossgate-gardens/calendar/new')
    await page.getByLabel('Choose pictures or a video').setInputFiles('standins/lake.png')
    const cut = page.getByRole('button', { name: 'Cut or turn lake.png' })
    await cut.focus()
    await page.keyboard.press('Enter')
    seen.add(await expectModal(page, cut))
    await page.goto('/mossgate-gardens/calendar')
    await page.getByRole('button', { name: 'Choose all of these' }).click()
    const place = page.getByRole('button', { name: 'Place on free slots' })
    await place.focus()
    await page.keyboard.press('Enter')
    seen.add(await expectModal(page, place))
    // the client has no weekly slots, which the dialog says
    consoleErrors.length = 0
  })

  await test.step('those that a key opens, with the next key pressed at once', async () => {
    await page.goto('/mossgate-gardens/overview?period=2026-09')
    await page.getByRole('button', { name: '1 to 30 September 2026' }).waitFor()
    for (const key of ['n', 'r', '/', '?', 'c']) {
      const address = page.url()
      await page.keyboard.press(key)
      await page.keyboard.press('.')
      seen.add(await expectModal(page))
      expect(page.url(), `after ${key}`).toBe(address)
    }
  })

  await ask('delete', `reports/${report}`)
  await ask('delete', `reports/${ofField}`)
  await test.step('what the owner alone decides', async () => {
    await page.context().clearCookies()
    await signIn(page, '/mossgate-gardens/places', 'ada@halyardrow.example')
    const opener = page.getByRole('button', { name: 'Who sees which' })
    await opener.focus()
    await page.keyboard.press('Enter')
    seen.add(await expectModal(page, opener))
  })
  const never = namesInSources().filter(({ pattern }) => ![...seen].some((name) => pattern.test(name)))
  expect(
    never.map(({ name }) => name),
    'dialogs and popovers that nothing on the pages opened',
  ).toEqual([])
  expect(seen.size).toBeGreaterThan(15)
})

test('choosing gives the focus back to the phrase, and the period begins with its words', async ({ page }) => {
  await signIn(page)
  const phrase = page.locator('header.scope').getByRole('button').nth(1)
  await phrase.focus()
  await page.keyboard.press('Enter')
  await expect(page.getByLabel('In words')).toBeFocused()
  await page.keyboard.type('september 2026')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: '1 to 30 September 2026' })).toBeFocused()
})

test('numbers are read as the page writes them, asked about where they could be two, and shown before they are kept', async ({
  page,
}) => {
  await signIn(page)
  await page.getByRole('button', { name: 'Set a target' }).click()
  const wanted = page.getByRole('textbox', { name: 'Wanted' })
  await wanted.fill('27,000')
  await expect(page.getByText('Read as 27,000.')).toBeVisible()
  await wanted.fill('27.000')
  await expect(page.getByText('“27.000” can be two numbers. Say which is meant.')).toBeVisible()
  await page.getByRole('button', { name: 'Set it' }).click()
  await expect(page.getByRole('dialog', { name: 'Set a target' })).toBeVisible()
  await page.getByRole('button', { name: '27,000', exact: true }).click()
  await page.getByRole('button', { name: 'Set it' }).click()
  await expect(page.getByRole('heading', { name: /^Interactions of all 13 profiles: 27,000 by/ })).toBeVisible()
  await page.getByRole('button', { name: 'Remove the target for interactions of all 13 profiles' }).last().click()
})
