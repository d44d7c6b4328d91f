import { setTimeout as pause } from 'node:timers/promises'
import autocannon, { type Result } from 'autocannon'
import type { Pool } from 'mysql2/promise'
import { addDays } from '../core/days/day'
import { CATALOGUE } from '../core/metrics/catalogue'
import { loadDemo } from '../demo/load'
import { startBuilt } from './built'
import { report } from './measure'

const ANCHOR = '2026-10-28'
const PASSWORD = 'a password for measuring'
const PEOPLE = 50
const AT_ONCE = 500
/** A person opens something every three seconds, and each opening asks four questions. */
const QUESTIONS_A_SECOND = Math.round((PEOPLE * 4) / 3)
/** Ten minutes are the goal's; one is enough to see where it stands. */
const SECONDS = Number(process.env.ZAFFER_BENCH_SECONDS ?? 60)

/**
 * The built application under many people: fifty who click, and five hundred at once, with the same question and with
 * different ones.
 */
export async function benchCrowd(pool: Pool): Promise<void> {
  await loadDemo(pool, ANCHOR, PASSWORD, () => '{}')
  const { base, stop } = await startBuilt()
  try {
    const answer = await fetch(`${base}/api/session`, {
      method: 'POST',
      headers: { 'origin': base, 'content-type': 'application/json' },
      body: JSON.stringify({ email: 'ada@halyardrow.example', password: PASSWORD }),
    })
    const cookie = answer.headers
      .getSetCookie()
      .map((one) => one.split(';')[0])
      .join('; ')
    await clicking(base, cookie)
    await atOnce(base, cookie, 'the same question', () => 'overview?period=last-90-days')
    await atOnce(
      base,
      cookie,
      'different questions',
      (index) =>
        `overview?period=${addDays(ANCHOR, -30 - index)}..${ANCHOR}&metric=${CATALOGUE[index % CATALOGUE.length]!.id}`,
    )
  } finally {
    stop()
  }
}

const PAGES = [
  'overview',
  'scope',
  'notes',
  'subject?metric=impressions',
  'targets',
  'breakdown',
  'why?metric=interactions',
  'unusual?metric=interactions',
  'posts',
  'profiles',
  'reports',
  'editions',
  'reports/1',
  'imports',
]
const CLIENTS = ['mossgate-gardens', 'kittiwake-line', 'orrery-press']
const METRICS = ['reach', 'interactions', 'followers', 'views', 'comments']
const PERIODS = ['last-7-days', 'last-28-days', 'last-90-days', 'this-month', 'last-month', 'last-12-months']

/** What fifty people ask: mostly the pages as they are, now and then another period or another line. */
function questionsOf(person: number): string[] {
  return Array.from({ length: 60 }, (_, step) => {
    const client = CLIENTS[(person + step) % CLIENTS.length]!
    const page = PAGES[(person * 7 + step * 3) % PAGES.length]!
    const varied =
      step % 4 === 0 && page === 'overview'
        ? `?period=${PERIODS[(person + step) % PERIODS.length]}&metric=${METRICS[(person * 3 + step) % METRICS.length]}`
        : ''
    return `/api/clients/${client}/${client === CLIENTS[0] || page !== 'reports/1' ? page : 'reports'}${varied}`
  })
}

/**
 * The load tool asks everything of a second at its beginning; people do not click in step, so they come in groups, one
 * group after the other within each second.
 */
const GROUPS = 10

async function clicking(base: string, cookie: string): Promise<void> {
  let person = 0
  const results = await Promise.all(
    Array.from({ length: GROUPS }, async (_, group) => {
      await pause((group * 1000) / GROUPS)
      return await autocannon({
        url: base,
        connections: PEOPLE / GROUPS,
        duration: SECONDS,
        overallRate: Math.round(QUESTIONS_A_SECOND / GROUPS),
        ignoreCoordinatedOmission: true,
        headers: { cookie },
        setupClient: (client) =>
          client.setRequests(questionsOf(person++).map((path) => ({ method: 'GET', path, headers: { cookie } }))),
      } as autocannon.Options)
    }),
  )
  const most = Math.max(...results.map(({ latency }) => (latency as Result['latency'] & { p97_5: number }).p97_5))
  const half = Math.max(...results.map(({ latency }) => latency.p50))
  const unanswered = results.reduce((sum, { non2xx, errors }) => sum + non2xx + errors, 0)
  const answered = results.reduce((sum, result) => sum + result['2xx'], 0)
  report(
    `${PEOPLE} people clicking for ${SECONDS} s`,
    {
      'questions': String(answered),
      'half within': `${half} ms`,
      '97.5 % within': `${most} ms`,
      'not answered': String(unanswered),
    },
    { text: '95 % within 300 ms, and no error', met: most <= 300 && unanswered === 0 },
  )
}

async function atOnce(base: string, cookie: string, what: string, pathOf: (index: number) => string): Promise<void> {
  let index = 0
  const isAlive = (async () => {
    await pause(50)
    const began = performance.now()
    await fetch(`${base}/api/health`)
    return performance.now() - began
  })()
  const result = await autocannon({
    url: base,
    connections: AT_ONCE,
    amount: AT_ONCE,
    timeout: 60,
    headers: { cookie },
    setupClient: (client) =>
      client.setRequests([
        { method: 'GET', path: `/api/clients/mossgate-gardens/${pathOf(index++)}`, headers: { cookie } },
      ]),
  })
  const told = result.statusCodeStats?.['503']?.count ?? 0
  report(
    `${AT_ONCE} at once, ${what}`,
    {
      'answered': String(result['2xx']),
      'told to wait': String(told),
      'the last after': `${result.latency.max} ms`,
      'health after': `${(await isAlive).toFixed(0)} ms`,
      'errors': String(result.errors + result.non2xx - told),
    },
    {
      text: 'all answered or told to wait within 2 s',
      met: result.latency.max <= 2000 && result.errors === 0 && result['2xx'] + told === AT_ONCE,
    },
  )
}
