import { expect, signIn, test } from './support/test'

test('a stranger’s change is seen on the first page, kept, taken back, and ours is put back', async ({ page }) => {
  await signIn(page, '/')
  await page.getByRole('link', { name: /changes in entries of Mossgate, main gate that nobody here has made/ }).click()
  await expect(page).toHaveURL(/mossgate-gardens\/directories#changes/)
  const changes = page.getByRole('table').first()
  const phone = changes.getByRole('row').filter({ hasText: 'Telephone of Mossgate, main gate' })
  await expect(phone).toContainText('+44 1632 960010')
  await expect(phone).toContainText('+44 1632 960199')
  await expect(phone).toContainText('by a visitor who is not known')

  await expect(phone).toContainText('Ours may be asked for proof: Waymark for the telephone (certainly)')

  // kept: the master record says it then, and undone: what it said before
  await phone.getByRole('button', { name: /^Keep it/ }).click()
  await expect(phone).toHaveCount(0)
  const fields = page.getByRole('table').filter({ hasText: 'Master record' })
  const record = fields.getByRole('row').filter({ hasText: 'Telephone' }).getByRole('cell').nth(1)
  await expect(record).toHaveText('+44 1632 960199')
  await page.getByRole('alert').filter({ hasText: 'The change is kept' }).getByRole('button', { name: 'Undo' }).click()
  await expect(phone).toBeVisible()
  await expect(record).toHaveText('+44 1632 960010')

  await phone.getByRole('button', { name: /^Put ours back/ }).click()
  await expect(phone).toHaveCount(0)
  await expect(fields.getByText('sent: Waymark asks for proof: it has sent a code to the owner.')).toBeVisible({
    timeout: 60_000,
  })
  await expect(page.getByText(/telephone: from .+ nobody|ours was put back/).first()).toBeVisible()
})

test('what differs is chosen by keys, looked at before it is sent, taken or refused, and goes into a report', async ({
  page,
}) => {
  await signIn(page, '/mossgate-gardens/directories')
  const all = page.getByRole('table').filter({ hasText: 'Dial & Door' }).first()
  await all.getByRole('button', { name: 'Mossgate plant shop' }).click()
  await expect(page).toHaveURL(/place=\d/)
  await expect(page.getByRole('heading', { name: 'Mossgate plant shop, field by field' })).toBeVisible()
  await expect(page.getByText('refused: Our map knows no such number in that street.').first()).toBeVisible()
  await expect(page.getByRole('button', { name: 'Send ours', exact: true })).toBeDisabled()
  const hours = page.getByRole('checkbox', { name: 'Send ours: Opening hours to Islepages' })
  await hours.focus()
  await page.keyboard.press('Space')
  await page.getByRole('checkbox', { name: 'Send ours: Web address to Townbook' }).check()
  await page.getByRole('button', { name: 'Send ours in 2' }).click()
  const dialog = page.getByRole('dialog', { name: 'Send what the master record says' })
  await expect(dialog.getByRole('listitem')).toHaveCount(2)
  await expect(dialog).toContainText(
    'Islepages, opening hours: Mo-Sa 09:30-17:00; Su off becomes Mo-Sa 09:30-17:30; Su off',
  )
  await dialog.getByRole('button', { name: 'Send all 2' }).click()
  await expect(page.getByText('The directories were told.')).toBeVisible({ timeout: 60_000 })
  // the one has taken it, the other looks at it
  await expect(hours).toHaveCount(0)
  await expect(page.getByText('sent: Townbook looks at it.').first()).toBeVisible()
  await expect(
    page.getByText(/Islepages was asked for .+ as its opening hours, by Jory Tamblyn; taken\./),
  ).toBeVisible()

  await page.getByRole('button', { name: 'Look now' }).click()
  await expect(page.getByText('All directories were looked at.')).toBeVisible({ timeout: 60_000 })
  await page.getByRole('button', { name: 'Dial & Door is none of ours' }).click()
  await expect(page.getByText('Dial & Door: somebody has said that entry is none of the client’s.')).toBeVisible()
  await page.getByRole('alert').filter({ hasText: 'left out' }).getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('button', { name: 'Dial & Door is none of ours' })).toBeVisible()

  await page.getByRole('button', { name: 'To a report: The fields' }).click()
  const report = page.getByRole('dialog', { name: 'Add to a report' })
  await report.getByRole('checkbox', { name: 'The place that is shown' }).check()
  await report.getByRole('button', { name: /^Add/ }).click()
  // it is written before the page is left
  await expect(report).toHaveCount(0)
  await page.goto('/mossgate-gardens/reports/1')
  await expect(page.getByRole('heading', { name: 'Mossgate plant shop in directories' })).toBeVisible()
  await expect(page.getByRole('columnheader', { name: 'Master record' })).toBeVisible()
})

test('a directory is asked for an entry that it does not have, and has it then', async ({ page }) => {
  await signIn(page, '/mossgate-gardens/directories')
  const all = page.getByRole('table').filter({ hasText: 'Dial & Door' }).first()
  await expect(all.getByRole('row', { name: /Mossgate glasshouse/ })).toContainText('missing')
  await all.getByRole('button', { name: 'Mossgate glasshouse' }).click()
  const without = page.getByRole('list', { name: 'Directories without an entry' })
  await expect(without).toContainText('Dial & Door has no entry of it')
  await without.getByRole('button', { name: 'Ask Dial & Door for an entry' }).click()
  const dialog = page.getByRole('dialog', { name: 'Ask for an entry' })
  await expect(dialog).toContainText('Dial & Door is given what the master record of Mossgate glasshouse says')
  await expect(dialog.getByRole('term').filter({ hasText: 'Opening hours' })).toBeVisible()
  await dialog.getByRole('button', { name: 'Ask for it' }).click()
  await expect(page.getByText('The directories were told.')).toBeVisible({ timeout: 60_000 })
  await page.getByRole('button', { name: 'Look now' }).click()
  await expect(page.getByText('All directories were looked at.')).toBeVisible({ timeout: 60_000 })
  await expect(without).toHaveCount(0)
  await expect(all.getByRole('row', { name: /Mossgate glasshouse/ })).not.toContainText('missing')
})

test('whoever only looks sees the entries and can change nothing', async ({ page }) => {
  await signIn(page, '/mossgate-gardens/directories', 'senara@mossgate.example')
  await expect(page.getByRole('heading', { name: 'How much of each entry agrees' })).toBeVisible()
  await expect(page.getByRole('table').first()).toBeVisible()
  for (const name of ['Look now', 'Send ours', /^Keep it/, /^Put ours back/, /is none of ours$/])
    await expect(page.getByRole('button', { name })).toHaveCount(0)
})
