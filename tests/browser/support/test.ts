import AxeBuilder from '@axe-core/playwright'
import { test as base, expect, type Page } from '@playwright/test'

export const ADDRESS = 'http://localhost:4399'
export const ANALYST = 'jory@halyardrow.example'
export const VIEWER = 'senara@mossgate.example'

/** A test that fails when the page writes an error to the console. */
export const test = base.extend<{ consoleErrors: string[] }>({
  baseURL: ADDRESS,
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
