import { readFileSync } from 'node:fs'
import AxeBuilder from '@axe-core/playwright'
import { test as base, expect, type Page } from '@playwright/test'
import { join } from 'node:path'
import type { ScopeDescription } from '../../../shared/figures/description'
import { demoPassword, forget, root, startApplication, stopApplication } from '../../support/application'

/** Each worker has an application and a demo of its own, so that two of them do not see what the other does. */
const WORKER = Number(process.env.TEST_PARALLEL_INDEX ?? 0)
const PORT = Number(process.env.ZAFFER_TEST_PORT ?? 4399) + WORKER
export const ADDRESS = `http://localhost:${PORT}`
export const ANALYST = 'jory@halyardrow.example'
export const VIEWER = 'senara@mossgate.example'

/** Waits until the newest days of every client are fetched: figures that still move are nothing to compare. */
async function untilSynced(): Promise<void> {
  const headers = { 'origin': ADDRESS, 'content-type': 'application/json' }
  const body = JSON.stringify({ email: 'ada@halyardrow.example', password: process.env.ZAFFER_TEST_PASSWORD })
  const signedIn = await fetch(`${ADDRESS}/api/session`, { method: 'POST', headers, body })
  const cookie = signedIn.headers
    .getSetCookie()
    .map((each) => each.split(';')[0])
    .join('; ')
  const ask = async <T>(path: string) =>
    (await (await fetch(`${ADDRESS}/api/${path}`, { headers: { cookie } })).json()) as T
  const { clients } = await ask<{ clients: { slug: string }[] }>('session')
  const left = async (slug: string) => {
    const { writing, profiles, lastComplete } = await ask<ScopeDescription>(`clients/${slug}/scope`)
    return writing + profiles.filter(({ syncedTo }) => syncedTo && syncedTo < lastComplete).length
  }
  for (const { slug } of clients) await expect.poll(() => left(slug), { timeout: 100_000, message: slug }).toBe(0)
}

/** A test on the built application with the demo, at a fixed time, that fails when the page writes an error to the console. */
export const test = base.extend<{ consoleErrors: string[] }, { application: undefined }>({
  baseURL: ADDRESS,
  application: [
    async ({ playwright: _playwright }, use) => {
      const data = join(root, '.test-data', `browser-${WORKER}`)
      forget(data)
      const application = await startApplication(data, { ZAFFER_PORT: `${PORT}`, ZAFFER_NOW: '2026-10-29T06:00:00Z' })
      if (!application.output().includes('Ready'))
        throw new Error(`The application did not start:\n${application.output()}`)
      process.env.ZAFFER_TEST_PASSWORD = demoPassword(data)
      await untilSynced()
      await use(undefined)
      await stopApplication(application)
    },
    { scope: 'worker', auto: true, timeout: 240_000 },
  ],
  consoleErrors: [
    async ({ page }, use) => {
      const errors: string[] = []
      page.on('console', (message) => message.type() === 'error' && errors.push(message.text()))
      page.on('pageerror', (error) => errors.push(error.message))
      await use(errors)
      expect(errors, 'errors in the console').toEqual([])
    },
    { auto: true },
  ],
})

export async function signIn(page: Page, email = ANALYST): Promise<void> {
  await page.goto('/sign-in')
  await page.getByLabel('Address').fill(email)
  await page.getByLabel('Password', { exact: true }).fill(process.env.ZAFFER_TEST_PASSWORD!)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await page.getByRole('heading', { name: 'What needs you today?' }).waitFor()
  await page.goto('/mossgate-gardens/overview')
}

/** What axe finds on the page, by the rules of WCAG 2.2 AA; nothing, if all is well. */
export async function expectAccessible(page: Page): Promise<void> {
  const { violations } = await new AxeBuilder({ page })
    .withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'])
    .analyze()
  expect(
    violations.map(
      ({ id, nodes }) =>
        `${id}: ${nodes
          .map(({ target }) => target.join(' '))
          .slice(0, 3)
          .join('; ')}`,
    ),
    `axe on ${page.url()}`,
  ).toEqual([])
}

export { expect } from '@playwright/test'

/** What a link or button gives to be kept, as bytes. */
export async function taken(page: Page, click: () => Promise<void>): Promise<{ name: string; content: Buffer }> {
  const [download] = await Promise.all([page.waitForEvent('download'), click()])
  return { name: download.suggestedFilename(), content: readFileSync(await download.path()) }
}

/** What a menu of a page gives to be taken away: its name, and what is in it. */
export const downloaded = async (page: Page, what: string, item: string) => {
  await page.getByRole('button', { name: `Download: ${what}`, exact: true }).click()
  return await taken(page, () => page.getByRole('menuitem', { name: item }).click())
}
