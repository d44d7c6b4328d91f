import { readFileSync } from 'node:fs'
import readWorkbook from 'read-excel-file/node'
import { ADDRESS, expect, expectAccessible, signIn, test } from './support/test'

test('a month on one network, against the one before, is chosen by name and read in the sentence', async ({ page }) => {
  await signIn(page)
  const sentence = page.locator('header.scope')
  await sentence.getByRole('button').first().click()
  await page.getByRole('button', { name: 'Tintype', exact: true }).click()
  await expect(sentence.getByRole('button', { name: /^Tintype, \d profiles?$/ })).toBeVisible()
  await expect(page).toHaveURL(/who=tintype/)
  await sentence.getByRole('button').first().click()
  await page.getByRole('checkbox', { name: 'Zoetrope, together with others' }).check()
  await page.getByRole('button', { name: 'Show Tintype and Zoetrope' }).click()
  await expect(sentence.getByRole('button', { name: /^Tintype and Zoetrope, \d profiles$/ })).toBeVisible()
  // the same choice, in a target and in a kept scope
  await page.getByRole('button', { name: 'Kept scopes' }).click()
  for (const part of [/^Tintype and Zoetrope/, /28 October 2026/, /^against/, /^the metrics/])
    await expect(page.getByRole('checkbox', { name: part })).toBeChecked()
  await page.getByLabel('as', { exact: true }).fill('Moving pictures')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.getByText('“Moving pictures” is kept.')).toBeVisible()
  await page.goto('/mossgate-gardens/overview')
  await page.getByRole('button', { name: 'Kept scopes' }).click()
  await page.getByRole('button', { name: 'Moving pictures', exact: true }).click()
  await expect(sentence.getByRole('button', { name: /^Tintype and Zoetrope/ })).toBeVisible()
  await page.goBack()
  await expect(sentence.getByRole('button', { name: 'All 13 profiles' })).toBeVisible()
})

test('the columns of a table are chosen, its rows ordered, and both stand in the address and in the workbook of the page', async ({
  page,
}) => {
  await signIn(page)
  await page.getByRole('button', { name: 'Columns of the table: Columns' }).click()
  await page.getByRole('checkbox', { name: 'Impressions', exact: true }).check()
  await page.keyboard.press('Escape')
  await page.getByRole('columnheader', { name: 'Impressions', exact: true }).getByRole('button').click()
  await expect(page).toHaveURL(/sort=impressions\.down/)
  await page.reload()
  const table = page
    .getByRole('region', { name: 'By profile', exact: true })
    .or(page.locator('section[aria-labelledby="table-heading"]'))
    .first()
  await expect(table.getByRole('columnheader', { name: /^Impressions/ })).toHaveAttribute('aria-sort', 'descending')
  const download = page.waitForEvent('download')
  await page.getByRole('link', { name: 'All of this page as a workbook' }).click()
  const file = await download
  expect(file.suggestedFilename()).toBe('Mossgate Gardens, overview, 1 Oct – 28 Oct 2026.xlsx')
  const sheets = await readWorkbook(readFileSync(await file.path()))
  expect(sheets.find(({ sheet }) => sheet === 'By profile')!.data[0]).toEqual(
    expect.arrayContaining([
      'Impressions',
      'Impressions, now',
      'Impressions, then',
      'Impressions, difference',
      'Impressions, percent',
    ]),
  )
  expect(sheets.at(-1)).toMatchObject({ sheet: 'About this file' })
})

test('the first ten minutes are said, ticked as they are done, and put away for good', async ({ page }) => {
  await signIn(page, '/')
  const steps = page.getByRole('region', { name: 'The first ten minutes' })
  await expect(steps.getByRole('listitem')).toHaveCount(5)
  await expect(steps.getByRole('listitem').filter({ hasText: 'not done yet' })).toHaveCount(5)
  await expectAccessible(page)
  await steps.getByRole('link', { name: /^Select a figure/ }).click()
  await page.getByRole('region', { name: 'Headline figures' }).getByRole('button').first().click()
  await page.getByRole('link', { name: 'All clients' }).click()
  await expect(steps.getByRole('listitem').filter({ hasText: ', done' })).toHaveText([/Select a figure/])
  await steps.getByRole('button', { name: 'Put this away' }).click()
  await expect(steps).toHaveCount(0)
  await page.reload()
  await expect(page.getByRole('heading', { name: 'What moved' })).toBeVisible()
  await expect(steps).toHaveCount(0)
})

test('every list is ordered by its headings, and the order stands in the address', async ({ page }) => {
  await signIn(page, '/mossgate-gardens/content')
  const heading = (name: string) => page.getByRole('columnheader', { name, exact: true })
  await heading('Interactions').getByRole('button').click()
  await expect(heading('Interactions')).toHaveAttribute('aria-sort', 'descending')
  await expect(page).toHaveURL(/order=interactions/)
  await heading('Interactions').getByRole('button').click()
  await expect(page).toHaveURL(/order=fewest_interactions/)
  await page.goto('/')
  await heading('Client').getByRole('button').click()
  await expect(page).toHaveURL(/sort=client\.up/)
  await expect(page.getByRole('row').nth(1)).toContainText('Mossgate Gardens')
  await heading('Client').getByRole('button').click()
  await expect(page.getByRole('row').nth(1)).toContainText('Orrery Press')
  await page.goto('/mossgate-gardens/reports?sort=blocks.down')
  await expect(heading('Blocks')).toHaveAttribute('aria-sort', 'descending')
})

test('which posts did it, from why it changed and from a day of the line', async ({ page }) => {
  await signIn(page)
  const why = page.getByRole('region', { name: 'Why impressions changed' })
  await expect(why.getByRole('heading', { name: 'Which posts did it' })).toBeVisible()
  await expect(why.getByText(/× its profile’s usual of/).first()).toBeVisible()
  await page.getByRole('group', { name: /Impressions a day, as a line/ }).focus()
  await page.keyboard.press('ArrowLeft')
  await page.getByRole('link', { name: 'Posts of this day' }).click()
  await expect(page).toHaveURL(/content\?.*period=2026-10-28\.\.2026-10-28/)
})

test('odd days over every metric without a reason get one, many at once', async ({ page }) => {
  await signIn(page, '/')
  await page
    .getByRole('region', { name: 'Unusual days without a reason' })
    .getByRole('link', { name: 'Mossgate Gardens', exact: true })
    .click()
  await expect(page).toHaveURL(/odd=all&reasons=none#unusual/)
  await page.goto('/mossgate-gardens/overview?period=2026-05-01..2026-08-31&odd=all&reasons=none')
  const section = page.getByRole('region', { name: 'Unusual days' })
  await expect(section.getByRole('checkbox', { name: 'only those without a reason' })).toBeChecked()
  const boxes = section.getByRole('checkbox', { name: /^Choose / })
  await boxes.first().waitFor()
  const before = await boxes.count()
  expect(before).toBeGreaterThan(1)
  await boxes.nth(0).check()
  await boxes.nth(1).check()
  await section.getByRole('button', { name: 'Write one reason for 2' }).click()
  await expect(page.getByText('Each of them gets this note.')).toBeVisible()
  await page.getByLabel('What happened').fill('Counted anew by hand.')
  await page.getByRole('button', { name: 'Keep the note' }).click()
  await expect.poll(() => boxes.count()).toBeLessThan(before - 1)
  await expectAccessible(page)
})

test('a copied report is looked at before it is issued, shared under a name, superseded and withdrawn', async ({
  page,
  browser,
}) => {
  await signIn(page)
  await page.getByRole('link', { name: 'Reports', exact: true }).click()
  await page.getByRole('button', { name: 'Copy “Mossgate Gardens, four-week report”' }).click()
  await expect(page.getByRole('textbox', { name: 'Title', exact: true })).toHaveValue(
    'Mossgate Gardens, four-week report, copied',
  )
  const issue = async (number: number) => {
    await page.getByRole('button', { name: `Look at edition ${number}` }).click()
    const dialog = page.getByRole('dialog', { name: 'The edition as it will be issued' })
    await expect(dialog.getByRole('heading', { name: 'What is missing in it' })).toBeVisible()
    await expect(dialog.getByText(/days are missing in/).first()).toBeVisible()
    const promised = await dialog.locator('footer code').first().innerText()
    await dialog.getByRole('button', { name: `Issue edition ${number}` }).click()
    await expect(page).toHaveURL(/editions\/\d+$/)
    expect(await page.locator('footer code').first().innerText()).toBe(promised)
  }
  const report = page.url()
  await issue(1)
  const first = page.url()
  await page.getByRole('button', { name: 'Share' }).click()
  await page.getByLabel('For whom').fill('Maria')
  await page.getByRole('button', { name: 'Make a link' }).click()
  const link = await page.getByRole('textbox', { name: 'Shared link' }).inputValue()
  await page.keyboard.press('Escape')
  await page.goto(report)
  await issue(2)
  await page.goto(first)
  await page.getByRole('combobox', { name: 'Whether a later edition stands in its place' }).click()
  await page.getByRole('option', { name: /^superseded by .*, edition 2$/ }).click()
  await expect(page.getByText(/A later edition stands in the place of this one: edition 2/)).toBeVisible()
  const reader = await (await browser.newContext()).newPage()
  await reader.goto(link)
  await expect(reader.getByText('For Maria.')).toBeVisible()
  await expect(reader.getByText(/A later edition stands in the place of this one: edition 2/)).toBeVisible()
  await page.getByRole('button', { name: 'Share' }).click()
  await expect(page.getByText(/Link for Maria of/)).toBeVisible()
  await page.getByRole('button', { name: 'Withdraw' }).click()
  await expect(page.getByText(/withdrawn/)).toBeVisible()
  await expect(page.getByRole('button', { name: 'Copy', exact: true })).toHaveCount(0)
  await reader.goto('about:blank')
  await reader.goto(link)
  await expect(reader.getByRole('heading', { name: 'This page is not there' })).toBeVisible()
  await reader.close()
})

test('a German export is recognised, asks where dates are in two notations, and is undone', async ({ page }) => {
  await signIn(page)
  await page.getByRole('link', { name: 'Imports' }).click()
  await page.getByLabel('File', { exact: true }).setInputFiles({
    name: 'Oktober.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      'Datum;Seiten-ID;Reichweite;Kommentare\n1.10.2026;10220431877650213;1.204;3\n' +
        '28.10.2026;10220431877650213;987;4\n07/06/2026;10220431877650213;5;6\n',
    ),
  })
  await expect(
    page.getByText('Dates are written in two ways: “1.10.2026” and “07/06/2026”. In which order?'),
  ).toBeVisible()
  await expect(page.getByRole('combobox', { name: 'What the column “Reichweite” holds' })).toContainText(
    'Reach of the day',
  )
  await page.getByRole('combobox', { name: 'Order of day and month' }).click()
  await page.getByRole('option', { name: 'day, month, year' }).click()
  await page.getByRole('button', { name: 'Check the whole file' }).click()
  await page.getByRole('button', { name: 'Write 3 rows' }).click()
  await page.getByRole('button', { name: 'Undo the whole import' }).click()
  await expect(page.getByText('Everything stands as it did before the import.')).toBeVisible()
})

test('a refused consent is told to the analyst, and the owner is told who asks', async ({
  page,
  browser,
  consoleErrors,
}) => {
  await signIn(page)
  await page.getByRole('link', { name: 'Profiles', exact: true }).click()
  await page
    .getByRole('button', { name: /^Consent link for/ })
    .first()
    .click()
  const link = await page.getByRole('textbox', { name: 'Consent link' }).inputValue()
  await page.keyboard.press('Escape')
  const owner = await (await browser.newContext()).newPage()
  await owner.goto(link)
  await expect(owner.getByText(/Halyard Row measures for Mossgate Gardens/)).toBeVisible()
  await owner.getByRole('button', { name: /^Go on to/ }).click()
  await owner
    .getByRole('button', { name: /Refuse|No/ })
    .first()
    .click()
  await expect(owner.getByText('The agency is told.')).toBeVisible()
  await owner.close()
  await page.goto(`${ADDRESS}/mossgate-gardens/profiles`)
  await expect(page.getByText(/its owner has refused the consent that was asked for on/).first()).toBeVisible()
  consoleErrors.length = 0
})

test('a comment takes bold, a list and a link, and nothing else becomes markup', async ({ page }) => {
  await signIn(page, '/mossgate-gardens/reports')
  await page.getByLabel('A new report called').fill('Written with marks')
  await page.getByRole('button', { name: 'Begin it' }).click()
  const comment = page.getByRole('textbox', { name: 'Comment on block 1', exact: true })
  await comment.fill('up')
  await comment.selectText()
  await page.keyboard.press('Control+b')
  await expect(comment).toHaveValue('**up**')
  const marks = page.getByRole('group', { name: 'Marks' })
  await comment.press('End')
  await comment.pressSequentially(' in October <img src=x onerror=alert(1)> [no](javascript:alert(1)) ')
  await comment.pressSequentially('the site')
  for (const _letter of 'the site') await comment.press('Shift+ArrowLeft')
  await marks.getByRole('button', { name: 'Link' }).click()
  await comment.pressSequentially('https://mossgate.example')
  await comment.press('End')
  await comment.pressSequentially('\n\nby night')
  await marks.getByRole('button', { name: 'List' }).click()
  await expect(comment).toHaveValue(
    '**up** in October <img src=x onerror=alert(1)> [no](javascript:alert(1)) [the site](https://mossgate.example)\n\n- by night',
  )
  // the browser's own undo takes the last mark back
  await page.keyboard.press('Control+z')
  await expect(comment).toHaveValue(/\n\nby night$/)
  await page.keyboard.press('Control+Shift+z')
  await page.getByRole('button', { name: 'Look at edition 1' }).click()
  const preview = page.getByRole('dialog', { name: 'The edition as it will be issued' })
  await expect(preview.locator('.comment strong')).toHaveText('up')
  await expect(preview.locator('.comment li')).toHaveText('by night')
  await expect(preview.locator('.comment a')).toHaveCount(1)
  await expect(preview.getByRole('link', { name: 'the site' })).toHaveAttribute('href', 'https://mossgate.example')
  await expect(preview.getByText('<img src=x onerror=alert(1)> [no](javascript:alert(1))')).toBeVisible()
  await page.keyboard.press('Escape')
  await expectAccessible(page)
  await page.goto('/mossgate-gardens/reports')
  await page.getByRole('button', { name: 'Remove “Written with marks”' }).click()
})

test('figures at the head are one’s own, kept under a name, and chosen again', async ({ page }) => {
  await signIn(page)
  const strip = page.getByRole('region', { name: 'Headline figures' }).getByRole('button')
  await expect(strip).toHaveCount(5)
  await expect(strip.filter({ hasText: 'Impressions' })).toHaveCount(1)
  await page.getByRole('button', { name: 'Figures at the head: Choose' }).click()
  await page.getByRole('checkbox', { name: 'Reach', exact: true }).uncheck()
  await page.getByRole('checkbox', { name: 'Link clicks', exact: true }).check()
  await page.keyboard.press('Escape')
  await expect(strip.filter({ hasText: 'Link clicks' })).toHaveCount(1)
  await expect(strip.filter({ hasText: /^Reach/ })).toHaveCount(0)
  await expect(page).toHaveURL(/headlines=impressions/)
  await page.getByRole('button', { name: 'Keep these' }).click()
  await page.getByLabel('as', { exact: true }).fill('For the gardener')
  await page.getByRole('button', { name: 'Keep the figures' }).click()
  await expect(page.getByText('“For the gardener” is kept')).toBeVisible()
  await page.goto('/mossgate-gardens/overview')
  await expect(strip.filter({ hasText: 'Link clicks' })).toHaveCount(0)
  await page.getByRole('combobox', { name: 'Figures shown above' }).click()
  await page.getByRole('option', { name: 'For the gardener' }).click()
  await expect(strip.filter({ hasText: 'Link clicks' })).toHaveCount(1)
  await page.getByRole('button', { name: 'Kept scopes' }).click()
  await page.getByRole('button', { name: 'Remove For the gardener' }).click()
})

test('every word of the glossary that stands on a page is one selection away', async ({ page }) => {
  await signIn(page)
  const headings = await page
    .locator('section[aria-labelledby="table-heading"]')
    .getByRole('columnheader')
    .allInnerTexts()
  await page.getByRole('button', { name: 'Words', exact: true }).click()
  const words = page.getByRole('dialog', { name: 'Words on this page' })
  for (const word of [
    ...headings.filter((heading) => !['Profile', 'Change in rate'].includes(heading)),
    'against',
    'unusual days',
  ])
    await expect(words.getByRole('link', { name: word, exact: true }), word).toBeVisible()
  await words.getByRole('link', { name: 'against', exact: true }).click()
  await expect(page).toHaveURL(/glossary#word-against/)
  // it is asked of the page as it is now
  await page.getByRole('button', { name: 'Words', exact: true }).click()
  await expect(words.getByRole('link', { name: 'hold-out', exact: true })).toBeVisible()
})

test('a word that comes while the words are read is among them', async ({ page }) => {
  let release = () => {}
  const held = new Promise<void>((resolve) => (release = resolve))
  await signIn(page)
  await page.route('**/mossgate-gardens/ranks*', async (route) => {
    await held
    await route.continue()
  })
  await page.getByRole('link', { name: 'Ranks', exact: true }).click()
  await expect(page).toHaveURL(/\/ranks/)
  await page.getByRole('button', { name: 'Words', exact: true }).click()
  const word = page
    .getByRole('dialog', { name: 'Words on this page' })
    .getByRole('link', { name: 'wobble', exact: true })
  await expect(word).toHaveCount(0)
  release()
  await expect(word).toBeVisible()
})

test('profiles and parts are ordered by their headings', async ({ page }) => {
  await signIn(page, '/mossgate-gardens/profiles')
  const own = page.getByRole('table', { name: 'Own profiles' })
  await own.getByRole('button', { name: 'Profile', exact: true }).click()
  await expect(page).toHaveURL(/sort=name\.up/)
  await expect(own.getByRole('row').nth(1)).toContainText('@mossgate')
  await own.getByRole('button', { name: /^Profile/ }).click()
  await expect(own.getByRole('row').nth(1)).toContainText('Tea at Mossgate')
  // the rivals keep an order of their own
  await expect(page.getByRole('table', { name: 'Rivals’ profiles' }).locator('[aria-sort]')).toHaveCount(0)
  await page.goto('/mossgate-gardens/overview')
  const parts = page.getByRole('region', { name: 'Breakdown' })
  await parts.getByRole('button', { name: 'Count' }).click()
  await expect(page).toHaveURL(/parts=count\.down/)
  const counts = (await parts.getByRole('row').allInnerTexts())
    .slice(1)
    .map((row) => Number(/\t([\d,]+)\t/.exec(row)?.[1]?.replaceAll(',', '') ?? -1))
  expect(counts.length).toBeGreaterThan(1)
  expect(counts).toEqual([...counts].sort((a, b) => b - a))
})

test('every table that stands anywhere is ordered by its headings, and a link keeps the order', async ({ page }) => {
  await signIn(page)
  await page.getByRole('button', { name: 'Table', exact: true }).first().click()
  const line = page.getByRole('figure').filter({ hasText: 'Comparison day' })
  await line.getByRole('button', { name: 'Impressions', exact: true }).click()
  await expect(page).toHaveURL(/days=day-value\.down/)
  const values = (await line.getByRole('row').allInnerTexts())
    .slice(1)
    .map((row) => Number(row.split('\t')[1]!.replaceAll(',', '')))
  expect(values.length).toBeGreaterThan(20)
  expect(values).toEqual([...values].sort((a, b) => b - a))
  const parts = page.getByRole('table').filter({ hasText: 'By its own rate' }).or(page.locator('.explanation table'))
  await parts.first().getByRole('button', { name: 'Part', exact: true }).click()
  await expect(page).toHaveURL(/why=part\.up/)
  const names = (await parts.first().getByRole('row').allInnerTexts()).slice(1)
  expect(names).toEqual([...names].sort())
  const ordered = async (heading: string, address: RegExp) => {
    await page.getByRole('button', { name: heading, exact: true }).first().click()
    await expect(page).toHaveURL(address)
    await page.reload()
    await expect(page.getByRole('columnheader', { name: heading }).first()).toHaveAttribute('aria-sort', 'descending')
  }
  await page.goto('/me')
  await ordered('Last used', /sort=seen\.down/)
  await page.goto('/mossgate-gardens/find')
  await page.getByRole('button', { name: 'Look', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Linked from the page' })).toBeVisible()
  await ordered('Followers', /linked=followers\.down/)
})

test('a quarter beside the same of last year, as a spreadsheet that says what it is', async ({ page }) => {
  await signIn(page)
  await page.locator('header.scope').getByRole('button').nth(1).click()
  await page.getByLabel('In words').fill('Q3 2026')
  await page.keyboard.press('Enter')
  await page.locator('header.scope').getByRole('button').nth(2).click()
  await page.getByRole('button', { name: /^The same dates last year/ }).click()
  await expect(page.locator('header.scope').getByRole('button').nth(1)).toHaveText('1 July to 30 September 2026')
  await page.getByRole('combobox', { name: 'Rows of the table' }).click()
  await page.getByRole('option', { name: 'By network' }).click()
  await expect(page.getByRole('heading', { name: 'By network' })).toBeVisible()
  const download = page.waitForEvent('download')
  await page.getByRole('link', { name: 'All of this page as a workbook' }).click()
  const file = await download
  expect(file.suggestedFilename()).toBe('Mossgate Gardens, overview, 1 Jul – 30 Sep 2026.xlsx')
  const sheets = await readWorkbook(readFileSync(await file.path()))
  const about = new Map(sheets.at(-1)!.data.map(([name, value]) => [String(name), String(value)]))
  expect(about.get('Period')).toBe('1 July to 30 September 2026')
  expect([...about.values()].join(' ')).toContain('the same quarter last year, 1 Jul – 30 Sep 2025')
  const table = sheets.find(({ sheet }) => sheet === 'By network')!.data
  const at = (name: string) => table[0]!.indexOf(name)
  expect(table.length).toBeGreaterThan(4)
  for (const row of table.slice(1).filter((each) => typeof each[at('Interactions, then')] === 'number')) {
    const [now, then] = [Number(row[at('Interactions, now')]), Number(row[at('Interactions, then')])]
    expect(Number(row[at('Interactions, difference')])).toBe(now - then)
    expect(Number(row[at('Interactions, percent')])).toBeCloseTo(now / then - 1, 3)
  }
})

test('from signing in to a shared edition by keys alone', async ({ page }) => {
  /** Goes on with Tab until something with a name has the focus. */
  const tabTo = async (name: RegExp, most = 150) => {
    for (let pressed = 0; pressed < most; pressed++) {
      const words = await page.evaluate(() => {
        const at = document.activeElement as HTMLElement | null
        return (
          at &&
          `${at.getAttribute('aria-label') ?? ''} ${(at as HTMLInputElement).labels?.[0]?.textContent ?? ''} ${at.textContent ?? ''}`.trim()
        )
      })
      if (words && name.test(words)) return
      await page.keyboard.press('Tab')
    }
    throw new Error(`Tab does not lead to ${name}`)
  }
  const choose = async (name: RegExp) => {
    await tabTo(name)
    await page.keyboard.press('Enter')
  }
  await page.goto('/sign-in')
  await tabTo(/^Address/)
  await page.keyboard.type('jory@halyardrow.example')
  await page.keyboard.press('Tab')
  await page.keyboard.type(process.env.ZAFFER_TEST_PASSWORD!)
  await page.keyboard.press('Enter')
  await page.getByRole('heading', { name: 'What needs you today?' }).waitFor()
  // a client in two keys, the network and the month in words
  await page.keyboard.press('c')
  await expect(page.getByRole('dialog')).toBeVisible()
  await page.keyboard.press('1')
  await expect(page.getByRole('heading', { name: 'Mossgate Gardens: what happened?' })).toBeAttached()
  await choose(/^All 13 profiles/)
  await choose(/^Tintype$/)
  await expect(page).toHaveURL(/who=tintype/)
  await choose(/^1 to 28 October 2026/)
  await expect(page.getByLabel('In words')).toBeFocused()
  await page.keyboard.type('september 2026')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('button', { name: '1 to 30 September 2026' })).toBeFocused()
  await choose(/^Reach/)
  await expect(page.getByRole('heading', { name: 'Workings' })).toBeVisible()
  // a report with a comment, looked at, issued and shared
  await page.keyboard.press('5')
  await expect(page.getByText('A new report called')).toBeVisible()
  await tabTo(/^A new report called/)
  await page.keyboard.type('Without a mouse')
  await page.keyboard.press('Enter')
  await page.getByRole('textbox', { name: 'Comment on block 1', exact: true }).waitFor()
  await tabTo(/^Comment on block 1/)
  await page.keyboard.type('Written by keys.')
  await expect(page.getByRole('status').filter({ hasText: /^Saved$/ })).toBeVisible()
  await page.evaluate(() => (document.activeElement as HTMLElement).blur())
  await choose(/^Look at edition 1/)
  await page.getByRole('button', { name: 'Issue edition 1' }).waitFor()
  await choose(/^Issue edition 1/)
  await page.waitForURL(/editions\/\d+$/)
  await expect(page.getByText('Written by keys.')).toBeVisible()
  await choose(/^Share/)
  await choose(/^Make a link/)
  await expect(page.getByRole('textbox', { name: 'Shared link' })).toHaveValue(/\/shared\//)
  await page.keyboard.press('Escape')
  await expect(page.getByRole('button', { name: 'Share', exact: true })).toBeFocused()
  await page.goto('/mossgate-gardens/reports')
  await choose(/^Remove “Without a mouse”/)
  await expect(page.getByText('was removed; its editions stay')).toBeVisible()
})
