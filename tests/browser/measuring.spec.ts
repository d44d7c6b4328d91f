import readWorkbook from 'read-excel-file/node'
import { downloaded, expect, expectAccessible, signIn, taken, test } from './support/test'

test('a rival is added by its handle, after what was found is shown; a set is made, read, removed and brought back', async ({
  page,
}) => {
  await signIn(page, '/orrery-press/profiles')
  await page.getByRole('button', { name: 'Add a profile' }).click()
  const dialog = page.getByRole('dialog', { name: 'Add a profile' })
  await dialog.getByLabel('Handle or address').fill('https://elsewhere.example/x')
  await page.keyboard.press('Enter')
  await expect(dialog.getByRole('alert')).toContainText('neither a name, nor a handle, nor the address of a profile')
  await dialog.getByLabel('Handle or address').fill('@thornapplepark')
  await page.keyboard.press('Enter')
  const found = dialog.getByRole('list', { name: 'Found' }).getByRole('listitem')
  await expect(found).toHaveCount(2)
  await expect(found.first()).toContainText(/Thornapple Park.*followers.*posts in four weeks/s)
  await expectAccessible(page)
  await dialog.getByRole('radio', { name: 'A rival’s' }).check()
  await dialog.getByLabel('Name of the competitor').fill('Thornapple Park')
  await dialog.getByRole('button', { name: 'Add Thornapple Park on Commons' }).click()
  const rivals = page.getByRole('table', { name: 'Rivals’ profiles' })
  await expect(rivals.getByRole('row', { name: /^Thornapple Park Commons/ })).toContainText(
    'as far as anybody can see them',
    { timeout: 30_000 },
  )

  await page.getByRole('combobox', { name: 'Coverage of' }).click()
  await page.getByRole('option', { name: 'reach', exact: true }).click()
  await expect(rivals.getByRole('row', { name: /^Thornapple Park Commons/ })).toContainText('not given')
  await expect(page.getByRole('img', { name: /of the last 56 days have reach/ }).first()).toBeVisible()
  await expectAccessible(page)

  await page.getByRole('button', { name: 'Make a set' }).click()
  await page.getByLabel('Name', { exact: true }).fill('Pictures')
  await page.getByRole('checkbox', { name: /@orrerypress/ }).check()
  await page.getByRole('checkbox', { name: /Orrery Press Cork/ }).check()
  await page.getByRole('button', { name: 'Make it' }).click()
  await page.getByRole('button', { name: 'Remove the set Pictures' }).click()
  await expect(page.getByRole('link', { name: 'Pictures' })).toHaveCount(0)
  await page.getByRole('button', { name: 'Undo' }).click()
  await page.getByRole('link', { name: 'Pictures' }).click()
  await expect(page.getByRole('button', { name: 'Pictures (2 profiles)' })).toBeVisible()
  await expect(page.getByRole('table').first().getByRole('row')).toHaveCount(3)
})

test('a client’s profiles are found from its web page, and the result goes into a report', async ({
  page,
  consoleErrors,
}) => {
  await signIn(page)
  await page.getByRole('link', { name: 'Find profiles' }).click()
  await page.getByLabel('The client’s web page').fill('http://10.0.0.1/')
  await page.getByRole('button', { name: 'Look' }).click()
  await expect(page.getByRole('alert')).toContainText('private network')
  // the browser itself notes the refusal, in its own time
  await expect.poll(() => consoleErrors.length).toBe(1)
  expect(consoleErrors.splice(0)).toEqual([expect.stringContaining('400')])
  const webPage = page.getByLabel('The client’s web page')
  await webPage.fill('')
  await expect(webPage, 'what was emptied stays empty').toHaveValue('')
  await webPage.fill('www.mossgate.example')
  await page.getByRole('button', { name: 'Look' }).click()
  await expect(page.getByRole('heading', { name: 'There, but not linked' })).toBeVisible()
  await expect(page.getByText('Free on Commons, Zoetrope, Lantern, Cork, Waymark.')).toBeVisible()
  await expectAccessible(page)
  const { name, content } = await downloaded(page, 'What was found', 'Table as CSV')
  expect(name).toBe('Mossgate Gardens, profiles found, 1 Oct – 28 Oct 2026.csv')
  expect(content.toString()).toContain('"There, but not linked","Guildhall","mossgate","Mossgate Joinery",288')
  await page.getByRole('button', { name: /^Add Mossgate Gardens on Cork/ }).click()
  await expect(page.getByRole('row', { name: /Cork mossgategardens Mossgate Gardens/ })).toContainText('yes')
  await page.keyboard.press('r')
  await page.getByRole('button', { name: 'Add it', exact: true }).click()
  await expect(page.getByText(/stands at the end of/)).toBeVisible()
})

test('the overview shows other figures, a second line, an index and other rows, all in the address', async ({
  page,
}) => {
  await signIn(page)
  const choose = async (chooser: string, option: string) => {
    await page.getByRole('combobox', { name: chooser }).click()
    await page.getByRole('option', { name: option, exact: true }).last().click()
  }
  await choose('Figures shown above', 'Video')
  await expect(page.getByRole('region', { name: 'Headline figures' }).getByText('Completion rate')).toBeVisible()
  await choose('Second line', 'Interactions')
  await expect(page.getByRole('heading', { name: 'Impressions and interactions a day' })).toBeVisible()
  await expect(page.getByText('Interactions, right')).toBeVisible()
  await page.getByRole('button', { name: 'Index' }).click()
  await expect(page.getByText('index: first day with data = 100')).toBeVisible()
  await choose('Rows of the table', 'By network')
  await expect(page.getByRole('row', { name: /^Tintype 2 profiles/ })).toBeVisible()
  await choose('Which breakdown', 'How often people saw something')
  await expect(page.getByText(/It fits these counts/).first()).toBeVisible()
  await expect(page.getByText(/Had they moved as their whole networks did/)).toBeVisible()
  await expectAccessible(page)
  expect(new URL(page.url()).searchParams.toString()).toBe(
    'figures=video&second=interactions&scale=index&by=network&breakdown=reach_by_times',
  )

  const sheet = await downloaded(page, 'The table', 'Workbook')
  const [titles, ...rows] = (await readWorkbook(sheet.content))[0]!.data
  const tintype = Number(
    (
      await page
        .getByRole('row', { name: /^Tintype 2 profiles/ })
        .getByRole('button')
        .first()
        .innerText()
    ).replaceAll(/[^\d]/g, ''),
  )
  expect(rows.find(([name]) => name === 'Tintype')![titles!.indexOf('Views')]).toBe(tintype)

  await page.getByRole('button', { name: 'Kept scopes' }).click()
  await expect(page.getByLabel('the metrics of the chart, the figures and the table')).toBeChecked()
  await page.getByRole('checkbox', { name: /moving with the calendar/ }).uncheck()
  await page.getByLabel('as', { exact: true }).fill('Both lines')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.getByText('“Both lines” is kept.')).toBeVisible()
  await page.goto('/mossgate-gardens/overview?period=last-7-days')
  await page.getByRole('button', { name: 'Kept scopes' }).click()
  await page.getByRole('button', { name: 'Both lines', exact: true }).click()
  await expect(page.getByRole('heading', { name: 'Impressions and interactions a day' })).toBeVisible()
  expect(new URL(page.url()).searchParams.get('period')).toBe('last-7-days')

  await page.goto('/mossgate-gardens/overview?period=2024-09-01..2024-11-30&against=none')
  await expect(page.getByText(/exist from 29 Oct 2024; earlier days of the period are missing, not zero/)).toBeVisible()
})

test('a target is set, followed, and frozen in an edition', async ({ page }) => {
  await signIn(page, '/orrery-press/overview')
  await page.getByRole('button', { name: 'Set a target' }).click()
  const dialog = page.getByRole('dialog', { name: 'Set a target' })
  await dialog.getByRole('button', { name: 'Set it' }).click()
  await expect(dialog.getByRole('alert')).toHaveText('Write the wanted value.')
  await dialog.getByLabel('Wanted').fill('1 000 000')
  await dialog.getByRole('textbox', { name: 'From' }).fill('1 October 2026')
  await dialog.getByRole('textbox', { name: 'By' }).fill('3/11/2026')
  await page.keyboard.press('Tab')
  await expect(dialog.getByRole('alert').filter({ hasText: 'can be two days' })).toBeVisible()
  await dialog.getByRole('textbox', { name: 'By' }).fill('30 Nov 2026')
  await page.keyboard.press('Tab')
  await expect(dialog.getByRole('textbox', { name: 'From' })).toHaveValue('1 Oct 2026')
  await expectAccessible(page)
  await dialog.getByRole('button', { name: 'Set it' }).click()
  const targets = page.getByRole('region', { name: 'Targets' })
  await expect(
    targets.getByRole('heading', { name: /^Interactions of all \d+ profiles: 1,000,000 by 30 Nov 2026/ }),
  ).toContainText('In danger')
  await expect(targets.getByText(/of the way with 45.9.% of the time over/)).toBeVisible()
  await expect(
    targets.getByText(/earlier ranges of this length, over days that do not overlap, held what came/),
  ).toBeVisible()
  await expect(targets.getByRole('img', { name: /so far, 1,000,000 wanted, heading for/ })).toBeVisible()

  await page.getByRole('link', { name: 'All clients' }).click()
  await expect(page.getByRole('region', { name: 'Targets in danger' })).toContainText('Interactions of all')
  await expectAccessible(page)
  await page
    .getByRole('region', { name: 'What is due' })
    .getByRole('link', { name: /Orrery Press, four-week report/ })
    .click()
  await expect(page.getByRole('button', { name: /Look at edition/ })).toBeVisible()
  await page.getByRole('combobox', { name: 'Add a block' }).click()
  await page.getByRole('option', { name: 'Targets' }).click()
  await page.getByRole('combobox', { name: 'Add a block' }).click()
  await page.getByRole('option', { name: 'Breakdown of a figure' }).click()
  await expect(page.getByRole('region', { name: 'Impressions: organic, paid, through sharing' })).toBeVisible()
  await expect(page.getByRole('status').getByText('Saved', { exact: true })).toBeVisible()
  await page.getByRole('button', { name: /Look at edition/ }).click()
  await page.getByRole('button', { name: /Issue edition/ }).click()
  await page.waitForURL(/editions\/\d+/)
  await expect(page.getByRole('region', { name: 'Targets' })).toContainText('1,000,000 by 30 Nov 2026')
  const workbook = await taken(page, () => page.getByRole('link', { name: 'Workbook' }).click())
  expect((await readWorkbook(workbook.content)).map(({ sheet }) => sheet)).toEqual(
    expect.arrayContaining(['Targets', 'Impressions organic, paid, thro']),
  )
  await expectAccessible(page)
})
