import { ADDRESS, expect, expectAccessible, signIn, test } from './support/test'

test('who is signed in elsewhere is seen, and signed out there', async ({ page, browser, consoleErrors }) => {
  await signIn(page)
  const elsewhere = await (await browser.newContext()).newPage()
  await elsewhere.goto(`${ADDRESS}/sign-in`)
  await elsewhere.getByLabel('Address').fill('jory@halyardrow.example')
  await elsewhere.getByLabel('Password', { exact: true }).fill(process.env.ZAFFER_TEST_PASSWORD!)
  await elsewhere.getByRole('button', { name: 'Sign in' }).click()
  await elsewhere.getByRole('heading', { name: 'What needs you today?' }).waitFor()
  await page.getByRole('link', { name: /sessions and password/ }).click()
  await expect(page.getByRole('row', { name: /^Here/ })).toContainText('now')
  await page.getByRole('button', { name: 'Sign out everywhere else' }).click()
  await expect(page.getByText('Nowhere else.')).toBeVisible()
  await elsewhere.goto(`${ADDRESS}/mossgate-gardens/overview`)
  await expect(elsewhere).toHaveURL(/sign-in/)
  const form = page.getByRole('form', { name: 'Change your password' })
  await page.getByLabel('Password of now').fill('wrong')
  await page.getByLabel('New password').fill('a long new password')
  await page.getByLabel('The new one again').fill('another')
  await page.getByRole('button', { name: 'Change the password' }).click()
  await expect(form.getByRole('alert')).toHaveText('This is not the same as the new password.')
  await page.getByLabel('The new one again').fill('a long new password')
  await page.getByRole('button', { name: 'Change the password' }).click()
  await expect(form.getByRole('alert')).toHaveText('That is not your password of now.')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Sign out', exact: true }).click()
  await expect(page).toHaveURL(/sign-in/)
  consoleErrors.length = 0
})

test('several parts go into a report at once, also from the part itself', async ({ page }) => {
  await signIn(page, '/orrery-press/overview')
  await page.getByRole('button', { name: 'To a report: The table' }).click()
  const dialog = page.getByRole('dialog', { name: 'Add to a report' })
  await expect(dialog.getByRole('checkbox', { name: 'The table by profile' })).toBeChecked()
  await dialog.getByRole('checkbox', { name: 'The unusual days' }).check()
  await dialog.getByRole('button', { name: 'Add 2 parts' }).click()
  await expect(page.getByText(/^2 parts stand at the end of/)).toBeVisible()
  await page.keyboard.press('r')
  await expect(dialog.getByRole('button', { name: 'Add it' })).toBeDisabled()
})

test('a day is chosen from the calendar, and written as everywhere', async ({ page }) => {
  await signIn(page)
  await expect(page.getByRole('region', { name: 'Headline figures' })).toBeVisible()
  await page.keyboard.press('n')
  const dialog = page.getByRole('dialog', { name: 'Write a note' })
  await expect(dialog.getByRole('textbox', { name: 'Day', exact: true })).toHaveValue('28 Oct 2026')
  await dialog.getByRole('button', { name: 'Calendar for “Day”' }).click()
  await page.getByRole('dialog', { name: 'Calendar for “Day”' }).getByText('14', { exact: true }).click()
  await expect(dialog.getByRole('textbox', { name: 'Day', exact: true })).toHaveValue('14 Oct 2026')
  await expect(page.locator('input[type=date]')).toHaveCount(0)
  await expectAccessible(page)
})

test('a level has an axis that fits its line and says so; the legend’s shade is the chart’s', async ({ page }) => {
  await signIn(page, '/mossgate-gardens/overview?second=followers')
  await expect(page.getByText('the axis of followers fits the line and does not begin at zero')).toBeVisible()
  const plot = page.getByRole('group', { name: /^Impressions a day, as a line/ })
  // the line of followers goes over most of the height, where it lay flat before
  await expect
    .poll(
      async () =>
        await plot.evaluate((element) => {
          const line = [...element.querySelectorAll('.apexcharts-line-series path.apexcharts-line')].at(-1)
          const grid = element.querySelector('.apexcharts-grid')
          return line && grid
            ? (line as SVGGraphicsElement).getBBox().height / (grid as SVGGraphicsElement).getBBox().height
            : 0
        }),
    )
    .toBeGreaterThan(0.4)
  const [legend, shade] = await page.evaluate(() => {
    const rgba = (colour: string, opacity: number) => {
      const canvas = document.createElement('canvas').getContext('2d', { willReadFrequently: true })!
      canvas.globalAlpha = opacity
      canvas.fillStyle = colour
      canvas.fillRect(0, 0, 1, 1)
      return [...canvas.getImageData(0, 0, 1, 1).data].map((value) => Math.round(value / 6))
    }
    const band = document.querySelector(
      '.apexcharts-xaxis-annotations rect[fill-opacity], .apexcharts-xaxis-annotations rect',
    )!
    const sample = getComputedStyle(document.querySelector('figcaption i.band')!)
    return [
      rgba(sample.backgroundColor, 1),
      rgba(band.getAttribute('fill')!, Number(band.getAttribute('opacity') ?? band.getAttribute('fill-opacity') ?? 1)),
    ]
  })
  expect(shade).toEqual(legend)
})

test('what an outsider opens fits a telephone', async ({ page, browser }) => {
  await signIn(page, '/orrery-press/reports')
  await page.getByRole('link', { name: 'Orrery Press, four-week report' }).click()
  await page.getByRole('button', { name: /Look at edition/ }).click()
  await page.getByRole('button', { name: /Issue edition/ }).click()
  await page.waitForURL(/editions\/\d+/)
  await page.getByRole('button', { name: 'Share' }).click()
  await page.getByRole('button', { name: 'Make a link' }).click()
  await expect(page.getByLabel('Shared link')).toHaveValue(/shared/)
  const link = await page.getByLabel('Shared link').inputValue()
  for (const width of [360, 412, 768]) {
    const phone = await (await browser.newContext({ viewport: { width, height: 740 } })).newPage()
    for (const address of [link, `${ADDRESS}/sign-in`, `${ADDRESS}/consent/${'x'.repeat(43)}`]) {
      await phone.goto(address, { waitUntil: 'networkidle' })
      expect([address, width, await phone.evaluate(() => document.documentElement.scrollWidth)]).toEqual([
        address,
        width,
        width,
      ])
    }
    await phone.goto(link, { waitUntil: 'networkidle' })
    // no figure lies over another
    const overlaps = await phone.locator('.strip .figure').evaluateAll((figures) => {
      const boxes = figures.map((figure) => figure.getBoundingClientRect())
      return (
        boxes.flatMap((a, index) =>
          boxes
            .slice(index + 1)
            .filter(
              (b) => a.left < b.right - 1 && b.left < a.right - 1 && a.top < b.bottom - 1 && b.top < a.bottom - 1,
            ),
        ).length + figures.filter((figure) => figure.scrollWidth > figure.clientWidth + 1).length
      )
    })
    expect([width, overlaps]).toEqual([width, 0])
    if (width === 360) await expectAccessible(phone)
    await phone.context().close()
  }
})

test('the columns of a file are known from what they hold, and what is not used says so', async ({ page }) => {
  await signIn(page, '/mossgate-gardens/imports')
  await page.getByLabel('File', { exact: true }).setInputFiles({
    name: 'odd.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(
      'When it was,Which one,How many,Weather\n20 Oct 2026,10220431877650213,500,rain\n21 Oct 2026,10220431877650213,400,sun\n',
    ),
  })
  await expect(page.getByRole('combobox', { name: 'What the column “When it was” holds' })).toContainText('Date')
  await expect(page.getByRole('combobox', { name: 'What the column “Which one” holds' })).toContainText(
    'Id of the profile',
  )
  await expect(page.getByRole('combobox', { name: 'What the column “How many” holds' })).toContainText('not used')
  await expect(page.getByRole('row', { name: 'dates ids of profiles counts text' })).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Remove the file' }).click()
  await expect(page).toHaveURL(/imports$/)
})

test('buttons have an outline that can be seen, light and dark', async ({ page }) => {
  await signIn(page)
  const outline = () =>
    page.getByRole('button', { name: 'Note', exact: true }).evaluate((button) => {
      const read = (colour: string) =>
        /[\d.]+/g.exec(colour)
          ? colour
              .match(/[\d.]+/g)!
              .slice(0, 3)
              .map(Number)
          : []
      const light = ([r = 0, g = 0, b = 0]: number[]) =>
        [r, g, b]
          .map((value) => (value / 255 <= 0.04045 ? value / 255 / 12.92 : ((value / 255 + 0.055) / 1.055) ** 2.4))
          .reduce((sum, value, index) => sum + value * [0.2126, 0.7152, 0.0722][index]!, 0)
      const [line, ground] = [
        light(read(getComputedStyle(button).borderTopColor)),
        light(read(getComputedStyle(document.body).backgroundColor)),
      ]
      return (Math.max(line, ground) + 0.05) / (Math.min(line, ground) + 0.05)
    })
  expect(await outline()).toBeGreaterThan(3)
  await page.getByRole('button', { name: 'Dark' }).click()
  await expect.poll(outline).toBeGreaterThan(3)
})

test('a note that was just written is in the margin when it opens', async ({ page }) => {
  await signIn(page)
  await expect(page.getByRole('region', { name: 'Headline figures' })).toBeVisible()
  await page.keyboard.press('w')
  await expect(page.getByRole('complementary')).toBeHidden()
  await page.reload()
  await expect(page.getByRole('region', { name: 'Headline figures' })).toBeVisible()
  await page.keyboard.press('n')
  await page.getByLabel('What happened').fill('A new note.')
  await page.getByRole('button', { name: 'Keep the note' }).click()
  await expect(page.getByText('The note stands on the charts it touches.')).toBeVisible()
  await page.keyboard.press('w')
  await expect(page.getByRole('complementary').getByRole('button', { name: 'A new note.' })).toBeVisible()
})
