import { afterAll, beforeAll, expect, it } from 'vitest'
import { addDays } from '../../core/days/day'
import { clientDbForJob } from '../../server/platform/database/clientDb'
import { notesIn } from '../../server/figures/questions/notes'
import { remembered } from '../../server/figures/remembered'
import { useDatabase } from './support/database'
import { PASSWORD, addDemo } from './support/demo'
import { cookiesOf, startServer, type Server } from './support/server'

const { url } = useDatabase('overload')
let server: Server
let cookie = ''

beforeAll(async () => {
  await addDemo()
  server = await startServer(url())
  cookie = cookiesOf(
    await fetch(`${server.base}/api/session`, {
      method: 'POST',
      headers: { 'origin': server.base, 'content-type': 'application/json' },
      body: JSON.stringify({ email: 'ada@halyardrow.example', password: PASSWORD }),
    }),
  )
})
afterAll(() => server?.stop())

it(
  'five hundred different questions at once are answered, or told when to come again, and the application says ' +
    'meanwhile that it is alive',
  async () => {
    let isOver = false
    const asked = Promise.all(
      Array.from({ length: 500 }, async (_, index) => {
        const answer = await fetch(
          `${server.base}/api/clients/mossgate-gardens/overview?period=${addDays('2026-10-28', -40 - index)}..2026-10-28`,
          { headers: { cookie } },
        )
        const text = await answer.text()
        if (answer.status === 503)
          expect([
            Number(answer.headers.get('retry-after')) > 0,
            (JSON.parse(text) as { detail: string }).detail,
          ]).toEqual([true, 'Many people ask at the same time. Try again in a few seconds.'])
        return answer.status
      }),
    ).finally(() => (isOver = true))
    let alive = 0
    while (!isOver) {
      const answer = await fetch(`${server.base}/api/health`)
      expect(answer.status).toBe(200)
      alive++
    }
    const answers = await asked
    expect(answers.filter((status) => status !== 200 && status !== 503)).toEqual([])
    expect(answers.filter((status) => status === 200).length).toBeGreaterThan(5)
    expect(answers.filter((status) => status === 503).length).toBeGreaterThan(0)
    expect(alive).toBeGreaterThan(1)
    // and afterwards it is as if nothing had been
    expect((await fetch(`${server.base}/api/clients/mossgate-gardens/overview`, { headers: { cookie } })).status).toBe(
      200,
    )
  },
)

it('the same question by many is worked out once, and again when something was written', async () => {
  const db = await clientDbForJob(1)
  let worked = 0
  const ask = () =>
    remembered(db, 'the same', async () => {
      worked++
      await notesIn(db, { from: '2026-10-01', to: '2026-10-01' })
      await new Promise((resolve) => setTimeout(resolve, 30))
      return { worked }
    })
  expect(new Set(await Promise.all(Array.from({ length: 100 }, ask)))).toEqual(new Set(['{"worked":1}']))
  await db.insertRows('note', ['from_day', 'to_day', 'title'], [['2026-10-01', '2026-10-01', 'x']])
  expect(await ask()).toBe('{"worked":2}')
  // one that fails is not kept, and the next who asks gets an answer
  const fail = () => remembered(db, 'failing', () => Promise.reject(new Error('once')))
  await expect(Promise.all([fail(), fail()])).rejects.toThrow('once')
  expect(await remembered(db, 'failing', async () => 'fine')).toBe('"fine"')
})
