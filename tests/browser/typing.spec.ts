import type { Page } from '@playwright/test'
import { ADDRESS, expect, signIn, test } from './support/test'

/** A report of its own for a test, opened. */
async function begin(page: Page, title: string): Promise<string> {
  await signIn(page, '/mossgate-gardens/reports')
  await page.getByLabel('A new report called').fill(title)
  await page.getByRole('button', { name: 'Begin it' }).click()
  await expect(page.getByRole('status').filter({ hasText: 'Saved' })).toBeVisible()
  return page.url()
}
const comment = (page: Page) => page.getByRole('textbox', { name: 'Comment on block 1', exact: true })
const standing = (page: Page, text: string | RegExp) =>
  expect(page.getByRole('status').filter({ hasText: text })).toBeVisible()
/** What a browser writes into its console of its own accord while it has no line, or is told of two versions. */
const forgive = (errors: string[], pattern: RegExp) => {
  const others = errors.filter((text) => !pattern.test(text))
  errors.splice(0, errors.length, ...others)
}

test('what is typed is saved while it is typed, and what was not sent yet comes back', async ({ page, context }) => {
  const address = await begin(page, 'Typed')
  // the field is never left
  await comment(page).pressSequentially('The storm week, seen ')
  await standing(page, /^Saved$/)
  await page.reload()
  await expect(comment(page)).toHaveValue('The storm week, seen ')
  await comment(page).press('End')
  await comment(page).pressSequentially('from the pier.')
  // the window goes away in the middle of a word, before anything was sent
  await page.close({ runBeforeUnload: false })
  const again = await context.newPage()
  await again.goto(address)
  await expect(comment(again)).toHaveValue('The storm week, seen from the pier.')
  await standing(again, /^Saved$/)
  await again.getByRole('button', { name: 'Undo' }).click()
  await expect(comment(again)).toHaveValue('The storm week, seen ')
})

test('without a line it says so, asks before one leaves, and saves when the line is back', async ({
  page,
  context,
  consoleErrors,
}) => {
  await begin(page, 'Without a line')
  await context.setOffline(true)
  await comment(page).fill('Written on the ferry.')
  await standing(page, 'No line: kept in this browser')
  page.once('dialog', (dialog) => {
    expect(dialog.message()).toContain('not on the server yet')
    void dialog.dismiss()
  })
  await page.getByRole('link', { name: 'Reports', exact: true }).click()
  await expect(comment(page)).toHaveValue('Written on the ferry.')
  await context.setOffline(false)
  await standing(page, /^Saved$/)
  await page.reload()
  await expect(comment(page)).toHaveValue('Written on the ferry.')
  forgive(consoleErrors, /ERR_INTERNET_DISCONNECTED/)
})

test('a text that is too long says so while it is typed, and is kept until it is shorter', async ({ page }) => {
  await begin(page, 'Too long')
  await comment(page).fill('x'.repeat(3900))
  await expect(page.getByText('100 letters left')).toBeVisible()
  await comment(page).fill('x'.repeat(4003))
  await expect(page.getByText('3 letters too many. It is kept here, and saved once it is shorter.')).toBeVisible()
  await standing(page, 'Not saved: kept in this browser')
  await expect(page.getByText('Block 1: A comment can be 4,000 letters long.')).toBeVisible()
  await page.evaluate(() => (window.onbeforeunload = null))
  page.once('dialog', (dialog) => void dialog.accept())
  await page.reload()
  await expect(comment(page)).toHaveValue('x'.repeat(4003))
  await comment(page).fill('short')
  await standing(page, /^Saved$/)
})

test('in two windows both versions stand side by side, and can be joined', async ({ page, context, consoleErrors }) => {
  const address = await begin(page, 'Two windows')
  const other = await context.newPage()
  await other.goto(address)
  await other.getByRole('textbox', { name: 'Title', exact: true }).fill('Two windows, renamed')
  await comment(other).fill('From the other window.')
  await standing(other, /^Saved$/)
  await comment(page).fill('From this window.')
  await standing(page, 'Not saved: there are two versions')
  await page.getByRole('button', { name: 'See both versions' }).click()
  const dialog = page.getByRole('dialog', { name: 'Two versions of this report' })
  await expect(dialog.getByRole('row', { name: /Title Two windows Two windows, renamed/ })).toBeVisible()
  await expect(dialog.getByRole('row', { name: /comment From this window\. From the other window\./ })).toBeVisible()
  await dialog.getByRole('button', { name: 'Join both' }).click()
  await standing(page, /^Saved$/)
  await expect(comment(page)).toHaveValue('From this window.\n\nFrom the other window.')
  await expect(page.getByRole('textbox', { name: 'Title', exact: true })).toHaveValue('Two windows, renamed')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(comment(page)).toHaveValue('From this window.')
  forgive(consoleErrors, /409/)
})

test('a note that was begun is there again', async ({ page }) => {
  await signIn(page)
  await page.getByRole('button', { name: 'Note', exact: true }).click()
  await page.getByLabel('What happened').fill('The tea room was')
  await page.keyboard.press('Escape')
  await page.goto(`${ADDRESS}/mossgate-gardens/overview`)
  await page.getByRole('button', { name: 'Note', exact: true }).click()
  await expect(page.getByLabel('What happened')).toHaveValue('The tea room was')
  await page.getByRole('button', { name: 'Cancel' }).click()
  await page.getByRole('button', { name: 'Note', exact: true }).click()
  await expect(page.getByLabel('What happened')).toHaveValue('')
})
