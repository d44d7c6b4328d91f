import { expect, signIn, test } from './support/test'

test('rivals are compared by what everybody can see, on all networks and on one, with and without the client', async ({
  page,
}) => {
  await signIn(page)
  await page.getByRole('link', { name: 'Field', exact: true }).click()
  const following = page.getByRole('region', { name: 'Following: Followers' })
  await expect(following.getByRole('row')).toHaveCount(5)
  const numbers = async (name: string) =>
    (
      await following
        .getByRole('row', { name: new RegExp(name) })
        .getByRole('cell')
        .allInnerTexts()
    ).map((text) => Number(text.replace('−', '-').replace(/[^\d.-]/g, '')))
  for (const name of ['Mossgate Gardens', 'Thornapple Park', 'The Glass Fernery', 'Bellweather Arboretum']) {
    const [, from, to, difference, rate] = await numbers(name)
    expect(to! - from!).toBe(difference)
    expect((100 * difference!) / from!).toBeCloseTo(rate!, 1)
  }
  const separates = page.getByRole('region', { name: 'What separates us' })
  // the small one that grows fast comes first
  await expect(separates.locator('strong').first()).toHaveText('The Glass Fernery')
  await expect(page.getByRole('img', { name: /Growth of four weeks over followers.*The Glass Fernery/ })).toBeVisible()
  await page.getByRole('button', { name: 'Growth as a table' }).click()
  await expect(page.getByRole('row', { name: /^The Glass Fernery [\d,]+ \+\d/ })).toBeVisible()
  const rhythm = page.getByRole('region', { name: 'How often and when' })
  await expect(rhythm.getByRole('row', { name: /^The Glass Fernery/ }).first()).toBeVisible()
  await expect(page.getByRole('region', { name: 'Formats' }).getByRole('row').nth(2)).toBeVisible()
  const best = page.getByRole('region', { name: 'The best posts of the field' })
  await expect(best.getByRole('row')).toHaveCount(9)
  // with their pictures and tags, and one key away from the page of each
  await expect(best.getByRole('img').first()).toBeVisible()
  await expect(best.getByText('night opening', { exact: true }).first()).toBeVisible()
  await expect(best.getByRole('link').first()).toHaveAttribute('href', /\/content\/\d+\/\d+$/)

  await page.getByRole('combobox', { name: 'On which networks' }).click()
  await page.getByRole('option', { name: 'Commons' }).click()
  await expect(page).toHaveURL(/network=commons/)
  await expect(following.getByRole('row')).toHaveCount(4)
  await expect(following.getByRole('row', { name: /Glass Fernery/ })).toHaveCount(0)
  await page.goBack()
  await expect(following.getByRole('row')).toHaveCount(5)
  await page.getByRole('checkbox', { name: 'the client itself' }).uncheck()
  await expect(following.getByRole('row', { name: /Mossgate/ })).toHaveCount(0)
  await page.getByRole('checkbox', { name: 'Thornapple Park' }).uncheck()
  await expect(page).toHaveURL(/hide=\d+/)
  await expect(following.getByRole('row')).toHaveCount(3)
  await expect(page.getByText('A typical band needs three members.')).toBeVisible()

  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Download: The field', exact: true }).click()
  await page.getByRole('menuitem', { name: 'Table as CSV' }).click()
  let text = ''
  for await (const part of await (await download).createReadStream()) text += String(part)
  expect(text).toContain('"Following","Followers","The Glass Fernery"')
  expect(text).not.toContain('Thornapple')
  await page.getByRole('button', { name: 'To a report: The field', exact: true }).click()
  await expect(
    page.getByRole('dialog', { name: 'Add to a report' }).getByRole('checkbox', { name: 'The field', exact: true }),
  ).toBeChecked()
})

test('the field is read week by week, and what rivals did that is not as usual is settled or becomes a note', async ({
  page,
}) => {
  await signIn(page, '/mossgate-gardens/field', 'ada@halyardrow.example')
  const weeks = page.getByRole('figure', { name: 'Followers week by week' })
  await weeks.getByRole('group', { name: /^Lines of the field/ }).focus()
  await page.keyboard.press('ArrowLeft')
  await expect(weeks.getByText(/^Week to 28 Oct 2026: Mossgate Gardens [\d,.]+.*The Glass Fernery/)).toBeVisible()
  await expect(weeks.getByText(/^Bellweather Arboretum: Lantern begins in the week to/)).toBeVisible()
  await page.getByRole('combobox', { name: 'In which form' }).click()
  await page.getByRole('option', { name: 'as index, first week = 100' }).click()
  await expect(page).toHaveURL(/as=index/)
  await page.getByRole('combobox', { name: 'What is followed' }).click()
  await page.getByRole('option', { name: 'interactions' }).click()
  await expect(page).toHaveURL(/line=interactions/)
  const posts = page.getByRole('figure', { name: 'Interactions week by week' })
  await posts.getByRole('button', { name: 'The weeks as a table' }).click()
  await expect(posts.getByRole('row')).toHaveCount(53)
  await expect(posts.getByRole('row').nth(52).getByRole('cell', { name: '100.0' })).toHaveCount(4)
  await page.goBack()
  await page.goBack()
  await expect(page).not.toHaveURL(/as=index/)
  await page.getByRole('link', { name: 'Share of voice week by week' }).click()
  await expect(page).toHaveURL(/line=interactions&as=share/)
  await posts.getByRole('group', { name: /^Lines of the field/ }).focus()
  await page.keyboard.press('ArrowLeft')
  await expect(posts.getByText(/^Week to 28 Oct 2026: Mossgate Gardens [\d.]+\s%/)).toBeVisible()

  const seen = page.getByRole('region', { name: /^Not as usual/ })
  const found = seen.getByRole('row', { name: /The Glass Fernery seems to be on Commons too, as glassfernery/ })
  await expect(found).toBeVisible()
  // whether it is the rival’s is looked at before it is added
  await found.getByRole('link', { name: 'Look whether it is' }).click()
  const dialog = page.getByRole('dialog', { name: 'Add a profile' })
  await expect(dialog.getByLabel('Name of the competitor')).toHaveValue('The Glass Fernery')
  await expect(dialog.getByText('The Glass Fernery', { exact: true })).toBeVisible()
  await page.keyboard.press('Escape')
  await expect(page).toHaveURL(/profiles$/)
  await page.goto('/mossgate-gardens/field')
  await found.getByRole('button', { name: /^Settled/ }).click()
  await expect(found).toHaveCount(0)
  await seen.getByRole('button', { name: /^All \d+ entries$/ }).click()
  await expect(found).toContainText('settled by Ada')
  await found.getByRole('button', { name: /^Open again/ }).click()
  await expect(found.getByRole('button', { name: /^Make a note/ })).toBeVisible()

  // on the first page it is said, and leads there; a note settles it
  await page.goto('/')
  const line = page.getByRole('link', { name: /^Paper Comet began to use #cometclub on|^Little|^Lodestone/ })
  await line.click()
  await expect(page).toHaveURL(/orrery-press\/field#seen/)
  const begun = seen.getByRole('row', { name: /Paper Comet began to use #cometclub/ })
  await begun.getByRole('button', { name: /^Make a note/ }).click()
  const note = page.getByRole('dialog', { name: 'Write a note' })
  await expect(note.getByLabel('What happened')).toHaveValue('Paper Comet begins #cometclub')
  await note.getByRole('button', { name: 'Keep the note' }).click()
  await expect(begun).toHaveCount(0)
  await expect(page.getByRole('button', { name: 'Paper Comet begins #cometclub' })).toBeVisible()
})

test('a field is kept under a name and opened again, and an event is followed through it', async ({ page }) => {
  await signIn(page, '/mossgate-gardens/field?network=tintype')
  await page.getByRole('checkbox', { name: 'Thornapple Park' }).uncheck()
  await page.getByRole('button', { name: 'Kept scopes' }).click()
  await expect(page.getByLabel('the field on Tintype, without 1 rival')).toBeChecked()
  await page.getByLabel('as', { exact: true }).fill('Small gardens on Tintype')
  await page.getByRole('button', { name: 'Keep', exact: true }).click()
  await expect(page.getByText('“Small gardens on Tintype” is kept.')).toBeVisible()
  // opened from elsewhere it leads to the field
  await page.goto('/mossgate-gardens/overview')
  await page.getByRole('button', { name: 'Kept scopes' }).click()
  await page.getByRole('button', { name: 'Small gardens on Tintype', exact: true }).click()
  await expect(page).toHaveURL(/\/field\?.*network=tintype/)
  await expect(page.getByRole('checkbox', { name: 'Thornapple Park' })).not.toBeChecked()

  await page.goto('/mossgate-gardens/field')
  const event = page.getByRole('region', { name: 'An event through the field' })
  await event.getByRole('combobox', { name: 'The event: tag' }).click()
  await page.getByRole('option', { name: 'night opening' }).click()
  for (const day of ['15 Oct 2025', '21 Oct 2026']) {
    await event.getByRole('button', { name: /^Choose the days|days before to/ }).click()
    await page.getByRole('textbox', { name: 'Another day of it' }).fill(day)
    await page.getByRole('button', { name: 'Compare', exact: true }).click()
  }
  await expect(page).toHaveURL(/on=2025-10-15(,|%2C)2026-10-21/)
  // rules tag what rivals post too
  const rival = event.getByRole('row', { name: /^Thornapple Park Tintype, @thornapplepark/ })
  const cells = await rival.getByRole('cell').allInnerTexts()
  expect(cells.slice(2).every((text) => /^[\d,.]+$/.test(text.trim()))).toBe(true)
  for (const at of [2, 5]) {
    const [posts, interactions, each] = cells.slice(at, at + 3).map((text) => Number(text.replaceAll(',', '')))
    expect(posts).toBeGreaterThan(0)
    expect(each).toBeCloseTo(interactions! / posts!, 1)
  }
  await expect(
    event.getByRole('row', { name: /^Bellweather Arboretum Lantern, Bellweather Films not known/ }),
  ).toBeVisible()
})

test('rivals are suggested from whom the audience also follows, looked at first, and put under one name', async ({
  page,
}) => {
  await signIn(page, '/mossgate-gardens/profiles')
  await page.getByRole('button', { name: 'Ask the networks' }).click()
  await expect(page).toHaveURL(/suggested=yes/)
  const suggested = page.getByRole('list', { name: 'Also followed' })
  await expect(suggested.getByRole('listitem').first()).toContainText('Isles in Bloom')
  await expect(suggested.getByRole('listitem').first()).toContainText(/by \d+ % of those who follow/)
  await suggested.getByRole('button', { name: 'Look whether The Long Table on Tintype is a rival' }).click()
  const dialog = page.getByRole('dialog', { name: 'Add a profile' })
  await expect(dialog.getByLabel('Name of the competitor')).toHaveValue('The Long Table')
  await dialog.getByRole('button', { name: 'Add The Long Table on Tintype' }).click()
  await expect(page.getByText('The Long Table on Tintype is in the list')).toBeVisible()
  await expect(suggested.getByText('The Long Table')).toHaveCount(0)

  // a rival that has merged goes on under the name of the other
  const row = page.getByRole('row', { name: /^The Long Table Tintype of The Long Table/ })
  await row.getByRole('button', { name: 'Say whose The Long Table on Tintype is' }).click()
  const whose = page.getByRole('dialog', { name: 'Whose The Long Table on Tintype is' })
  await whose.getByLabel('Organisation').fill(' ')
  await whose.getByRole('button', { name: 'Change it' }).click()
  await expect(whose.getByRole('alert')).toHaveText('Write the name of the organisation.')
  await whose.getByLabel('Organisation').fill('Thornapple Park')
  await page.keyboard.press('Enter')
  await expect(page.getByRole('row', { name: /^The Long Table Tintype of Thornapple Park/ })).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(row).toBeVisible()
  await row.getByRole('button', { name: 'Switch The Long Table on Tintype off' }).click()
  await expect(page.getByText('The Long Table is switched off; its past is kept.')).toBeVisible()
})
