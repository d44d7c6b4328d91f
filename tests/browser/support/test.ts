import { readFileSync } from 'node:fs'
import { test as base, expect, type Page } from '@playwright/test'
import axe from 'axe-core'
import { stopApplication } from '../../support/application'
import { startDemo } from './demo'

/** Each worker has an application and a demo of its own, so that two of them do not see what the other does. */
const WORKER = Number(process.env.TEST_PARALLEL_INDEX ?? 0)
const PORT = Number(process.env.ZAFFER_TEST_PORT ?? 4399) + WORKER
export const ADDRESS = `http://localhost:${PORT}`
export const ANALYST = 'jory@halyardrow.example'
export const VIEWER = 'senara@mossgate.example'

/** A test on the built application with the demo, at a fixed time, that fails when the page writes an error to the console. */
export const test = base.extend<{ consoleErrors: string[] }, { application: undefined }>({
  baseURL: ADDRESS,
  application: [
    async ({ playwright: _playwright }, use) => {
      const { application, password } = await startDemo(`browser-${WORKER}`, PORT)
      process.env.ZAFFER_TEST_PASSWORD = password
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

/** Signs in without the form, which tests of their own fill in, and opens a page. */
export async function signIn(page: Page, path = '/mossgate-gardens/overview', email = ANALYST): Promise<void> {
  const answer = await page.request.post(`${ADDRESS}/api/session`, {
    data: { email, password: process.env.ZAFFER_TEST_PASSWORD! },
    headers: { origin: ADDRESS },
  })
  expect(answer.ok(), `${email} is signed in`).toBe(true)
  await page.goto(`${ADDRESS}${path}`)
}

/** Signs in as a person does, and opens an overview. */
export async function signInByForm(page: Page): Promise<void> {
  await page.goto('/sign-in')
  await page.getByLabel('Address').fill(ANALYST)
  await page.getByLabel('Password', { exact: true }).fill(process.env.ZAFFER_TEST_PASSWORD!)
  await page.getByRole('button', { name: 'Sign in' }).click()
  await page.getByRole('heading', { name: 'What needs you today?' }).waitFor()
  await page.goto('/mossgate-gardens/overview')
}

/** The rules of WCAG 2.2 AA, and what is good practice beside them, as axe names them. */
const RULES = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice']

/** Finds nothing on the page that hinders anybody. */
export async function expectAccessible(page: Page): Promise<void> {
  await page.evaluate(axe.source)
  const found = await page.evaluate(async (values) => {
    const { violations } = await window.axe.run({ runOnly: { type: 'tag', values }, resultTypes: ['violations'] })
    return violations.map(
      ({ id, nodes }) =>
        `${id}: ${nodes
          .slice(0, 3)
          .map(({ target }) => target.join(' '))
          .join('; ')}`,
    )
  }, RULES)
  expect(found, `axe on ${page.url()}`).toEqual([])
}

declare global {
  interface Window {
    axe: typeof axe
  }
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
