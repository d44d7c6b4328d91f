import { join } from 'node:path'
import type { ScopeDescription } from '../../shared/figures/description'
import { forget, root, startApplication, stopApplication, type Application } from '../support/application'
import { expect, expectAccessible, test } from './support/test'

const data = join(root, '.test-data', 'browser-empty')
const BASE = 'http://localhost:4397'
let application: Application

test.beforeAll(async () => {
  forget(data)
  application = await startApplication(data, { ZAFFER_PORT: '4397', ZAFFER_NOW: '2026-10-29T06:00:00Z' }, undefined, [
    '--empty',
  ])
})
test.afterAll(() => stopApplication(application))

test('a new agency is led from its name to its first issued edition', async ({ page, consoleErrors }) => {
  const address = /http:\S+\/begin\?key=\S+/.exec(application.output())![0]
  // without the key of this start nobody names it
  await page.goto(`${BASE}/begin?key=guessed`)
  const form = async () => {
    await page.getByLabel('Name of the agency').fill('Spindrift Desk')
    await page.getByLabel('Whom readers can ask').fill('desk@spindrift.example')
    await page.getByLabel('Your name').fill('Wenna Pascoe')
    await page.getByLabel('Mail address').fill('wenna@spindrift.example')
    await page.getByLabel('Password').fill('a password of my own')
    await page.getByRole('button', { name: 'Begin' }).click()
  }
  await form()
  await expect(page.getByRole('alert')).toContainText('That is not the key of this start')
  consoleErrors.length = 0
  await page.goto(address)
  await expectAccessible(page)
  await form()

  // the first page says what comes next, and ticks what is done
  const steps = page.getByRole('region', { name: 'The first ten minutes' })
  await expect(steps.getByRole('listitem').filter({ hasText: ', done' })).toHaveText([/Name the agency/])
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Add the client' }).click()
  await expect(page.getByRole('alert')).toHaveText('Give the client its name.')
  await page.getByLabel('Name of the client').fill('Thornapple Park')
  await page.getByRole('button', { name: 'Add the client' }).click()

  // its profiles
  await expect(page.getByText('No profile yet.')).toBeVisible()
  await page.getByRole('button', { name: 'Add a profile' }).click()
  await page.getByLabel('Handle or address').fill('@thornapplepark')
  // what was typed is there again after the dialog was closed
  await page.keyboard.press('Escape')
  await page.getByRole('button', { name: 'Add a profile' }).click()
  await expect(page.getByText('What you had typed is back.')).toBeVisible()
  await expect(page.getByLabel('Handle or address')).toHaveValue('@thornapplepark')
  await page.getByRole('button', { name: 'Look', exact: true }).click()
  await page.getByRole('button', { name: 'Add @thornapplepark on Tintype' }).click()
  await expect(page.getByRole('table', { name: 'Own profiles' })).toContainText(
    'Figures up to 28 Oct 2026, only what anybody can see',
    { timeout: 60_000 },
  )

  // the owner of the profile gives consent
  await page.getByRole('button', { name: 'Consent link for @thornapplepark' }).click()
  const link = await page.getByRole('textbox', { name: 'Consent link' }).inputValue()
  await page.keyboard.press('Escape')
  const owner = await page.context().browser()!.newPage()
  await owner.goto(link)
  await expect(owner.getByText('Spindrift Desk').first()).toBeVisible()
  await owner.getByRole('button', { name: 'Go on to Tintype' }).click()
  await owner.getByRole('button', { name: 'Allow reading', exact: true }).click()
  await owner.waitForURL(/consent\/answer/)
  await owner.close()
  // what the consent has begun is over: an edition of figures that move meanwhile is not issued
  const writing = async () =>
    ((await (await page.request.get(`${BASE}/api/clients/thornapple-park/scope`)).json()) as ScopeDescription).writing
  await expect.poll(writing, { timeout: 60_000 }).toBe(0)

  // the figures are there, and a report is made of them
  await page.getByRole('link', { name: 'Overview' }).click()
  await expect(page.getByRole('region', { name: 'Headline figures' }).getByRole('button').first()).toBeVisible()
  await page.getByRole('link', { name: 'Reports', exact: true }).click()
  await page.getByLabel('A new report called').fill('October')
  await page.getByRole('button', { name: 'Begin it' }).click()
  await page.getByRole('button', { name: 'Look at edition 1' }).click()
  await page.getByRole('button', { name: 'Issue edition 1' }).click()
  await page.waitForURL(/editions\/\d+$/)
  await expect(page.getByText('Spindrift Desk').first()).toBeVisible()
  await expect(page.getByText('Edition 1').first()).toBeVisible()

  await page.goto(BASE)
  await expect(steps.getByRole('listitem').filter({ hasText: ', done' })).toHaveText([
    /Name the agency/,
    /Add the first client/,
    /Add its profiles/,
    /consent link/,
    /Begin a report/,
    /look at its next edition/,
    /Issue the edition/,
  ])

  // all data of the client goes into a new one, with the edition; what is no package goes nowhere
  await page.goto(`${BASE}/thornapple-park/data`)
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'Download all data' }).click(),
  ])
  const added = await page.request.post(`${BASE}/api/clients`, {
    data: { name: 'Taken along', timeZone: 'Europe/London' },
    headers: { origin: BASE },
  })
  expect(added.ok()).toBe(true)
  await page.goto(`${BASE}/taken-along/data`)
  await page
    .getByLabel('Package')
    .setInputFiles({ name: 'x.zip', mimeType: 'application/zip', buffer: Buffer.from('not really') })
  await expect(page.getByText('That is no package')).toBeVisible({ timeout: 30_000 })
  await page.getByLabel('Package').setInputFiles(await download.path())
  await expect(page.getByText('rows are here')).toBeVisible({ timeout: 60_000 })
  await page.goto(`${BASE}/taken-along/editions`)
  await expect(page.getByText('October').first()).toBeVisible()
  await page.goto(BASE)

  // the agency is changed later, and there is only one
  await page.getByRole('link', { name: 'Agency', exact: true }).click()
  await page.getByLabel('Its postal address').fill('2 Slip Lane, Port Farrow')
  await page.getByRole('button', { name: 'Change the agency' }).click()
  await expect(page.getByText('The agency is changed.')).toBeVisible()
  await expectAccessible(page)
  await page.goto(address)
  await expect(page.getByText('has its agency already')).toBeVisible()
})
