import { expect, signIn, test } from './support/test'

test('rivals are compared by what everybody can see, on all networks and on one, with and without the client', async ({
  page,
}) => {
  await signIn(page)
  await page.goto('/mossgate-gardens/overview')
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
  await expect(page.getByRole('region', { name: 'The best posts of the field' }).getByRole('row')).toHaveCount(9)

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
  await page.getByRole('button', { name: 'Download: The field' }).click()
  await page.getByRole('menuitem', { name: 'Table as CSV' }).click()
  let text = ''
  for await (const part of await (await download).createReadStream()) text += String(part)
  expect(text).toContain('"Following","Followers","The Glass Fernery"')
  expect(text).not.toContain('Thornapple')
  await page.getByRole('button', { name: 'Add to report' }).click()
  await expect(
    page.getByRole('dialog', { name: 'Add to a report' }).getByRole('checkbox', { name: 'The field' }),
  ).toBeChecked()
})
