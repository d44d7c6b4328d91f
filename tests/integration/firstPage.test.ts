import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { useDatabase } from './support/database'
import { PASSWORD, addDemo } from './support/demo'
import { cookiesOf, startServer, type Server } from './support/server'

const { url, pool } = useDatabase('first_page')
const PAGE = '/mossgate-gardens/overview?period=2026-09-01..2026-09-30'
let server: Server
const cookies: Record<string, string> = { nobody: '' }

beforeAll(async () => {
  await addDemo()
  server = await startServer(url(), { ZAFFER_NOW: '2026-10-29T06:00:00Z' })
  for (const [who, email] of [
    ['analyst', 'jory@halyardrow.example'],
    ['viewer', 'senara@mossgate.example'],
  ])
    cookies[who!] = cookiesOf(
      await fetch(`${server.base}/api/session`, {
        method: 'POST',
        headers: { 'origin': server.base, 'content-type': 'application/json' },
        body: JSON.stringify({ email, password: PASSWORD }),
      }),
    )
})
afterAll(() => server?.stop())

const open = (path: string, who = 'analyst', method = 'GET') =>
  fetch(`${server.base}${path}`, {
    method,
    redirect: 'manual',
    headers: { 'cookie': cookies[who]!, 'accept-language': 'en-GB,en;q=0.9', 'origin': server.base },
  })
/** Whether a page has figures in it. */
const hasFigures = (html: string) => /profile-days|class="strip"|"figures":/.test(html)

describe('a page that is drawn on the server', () => {
  it('has the figures for whoever may see them, in their own notation, and is kept by nobody on the way', async () => {
    const answer = await open(PAGE)
    const html = await answer.text()
    expect([answer.status, answer.headers.get('cache-control')]).toEqual([200, 'no-store'])
    const overview = (await (
      await fetch(`${server.base}/api/clients/mossgate-gardens/overview?period=2026-09-01..2026-09-30`, {
        headers: { cookie: cookies.analyst! },
      })
    ).json()) as { figures: { figure: { metric: string; value: number } }[] }
    const { value } = overview.figures.find(({ figure }) => figure.metric === 'impressions')!.figure
    expect(html).toContain(value.toLocaleString('en-GB'))
    const german = await fetch(`${server.base}${PAGE}`, {
      headers: { 'cookie': cookies.analyst!, 'accept-language': 'de-DE' },
    })
    expect(await german.text()).toContain(value.toLocaleString('de-DE'))
    for (const odd of ['', '*', 'x'.repeat(4000), '../../etc', 'en_US@currency', '\u00e4'])
      expect(
        (await fetch(`${server.base}${PAGE}`, { headers: { 'cookie': cookies.analyst!, 'accept-language': odd } }))
          .status,
      ).toBeLessThan(500)
  })

  it('has nothing in it for anybody else', async () => {
    for (const path of [PAGE, `${PAGE}&figure=impressions`, '/mossgate-gardens/overview/_payload.json']) {
      const answer = await open(path, 'nobody')
      expect(hasFigures(await answer.text()), path).toBe(false)
    }
    expect((await open(PAGE, 'nobody')).headers.get('location')).toMatch(/^\/sign-in\?to=/)
    // a client that was not given to them, and their own while nothing is released
    expect(hasFigures(await (await open('/kittiwake-line/overview', 'viewer')).text())).toBe(false)
    await pool().query("UPDATE client SET released = '' WHERE slug = 'mossgate-gardens'")
    const html = await (await open(PAGE, 'viewer')).text()
    expect(hasFigures(html)).toBe(false)
    expect(html).toContain('the agency’s own work')
    await pool().query("UPDATE client SET released = 'figures' WHERE slug = 'mossgate-gardens'")
    expect(hasFigures(await (await open(PAGE, 'viewer')).text())).toBe(true)
  })

  it('says what somebody wrote and runs none of it', async () => {
    const hostile = '</script><script>alert(1)</script><img src=x onerror=alert(2)>'
    await pool().query('INSERT INTO note (client_id, from_day, to_day, title, body) VALUES (1, ?, ?, ?, ?)', [
      '2026-09-10',
      '2026-09-11',
      hostile,
      `{{ constructor.constructor('alert(3)')() }} ${hostile}`,
    ])
    const html = await (await open(PAGE)).text()
    expect(html).not.toContain('<script>alert(1)')
    expect(html).not.toContain('<img src=x')
    expect(html).toContain('&lt;img src=x onerror=alert(2)&gt;')
    for (const path of [
      '/%3Cscript%3Ealert(1)%3C%2Fscript%3E/overview',
      `/mossgate-gardens/overview?metric=${encodeURIComponent(hostile)}`,
      `/mossgate-gardens/overview?period=${encodeURIComponent(hostile)}`,
      `/mossgate-gardens/overview?who=${'9,'.repeat(3000)}`,
      '/mossgate-gardens/overview?period=a&period=b&metric[]=x&__proto__[x]=1',
    ]) {
      const answer = await open(path)
      expect(answer.status, path).toBeLessThan(500)
      expect(await answer.text(), path).not.toContain('<script>alert(1)')
    }
  })

  it('is drawn for one way of asking only; every other page is left to the browser', async () => {
    for (const [method, path] of [
      ['POST', PAGE],
      ['PUT', PAGE],
      ['GET', '/mossgate-gardens/overview/'],
      ['GET', '/mossgate-gardens/profiles'],
      ['GET', '/mossgate-gardens/reports/1'],
      ['GET', '/me'],
      ['GET', '/shared/x'],
      ['POST', '/mossgate-gardens/imports'],
    ] as const) {
      const answer = await open(path, 'analyst', method)
      expect(answer.status, `${method} ${path}`).toBeLessThan(500)
      expect(hasFigures(await answer.text()), `${method} ${path}`).toBe(false)
    }
    expect((await open(PAGE, 'analyst', 'HEAD')).status).toBe(200)
  })

  it('goes out without its figures when many ask at once, and with them again afterwards', async () => {
    const pages = await Promise.all(
      Array.from({ length: 250 }, async (_, index) => {
        const answer = await open(
          `/mossgate-gardens/overview?period=2026-0${1 + (index % 9)}-01..2026-10-0${1 + (index % 8)}`,
        )
        return [answer.status, hasFigures(await answer.text())] as const
      }),
    )
    expect(new Set(pages.map(([status]) => status))).toEqual(new Set([200]))
    expect(pages.some(([, is]) => is)).toBe(true)
    expect(pages.some(([, is]) => !is)).toBe(true)
    expect(hasFigures(await (await open(PAGE)).text())).toBe(true)
    // no room was lost on the way: there is some for more than there are places
    for (let turn = 0; turn < 6; turn++) expect(hasFigures(await (await open(PAGE)).text()), `turn ${turn}`).toBe(true)
  })
})
