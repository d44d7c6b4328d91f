import type { RowDataPacket } from 'mysql2/promise'
import { beforeAll, describe, expect, it } from 'vitest'
import { reviewAbout } from '../../core/reviews/reviewAbout'
import { resolveScope } from '../../server/figures/resolveScope'
import { clientDbForJob, type ClientDb } from '../../server/platform/database/clientDb'
import { placeInsights, placesIn } from '../../server/read/places/insights'
import {
  addPlace,
  changePlace,
  placeById,
  placesOf,
  bringBackPlace,
  removePlace,
  switchPlace,
} from '../../server/read/places/places'
import { placesAs, placesFile } from '../../server/read/places/placesFile'
import { listReviews } from '../../server/read/reviews/listReviews'
import {
  addTemplate,
  moveReply,
  proposeReply,
  readReview,
  removeReply,
  unreadReview,
  writeReply,
} from '../../server/read/reviews/replies'
import { reviewsOf } from '../../server/read/reviews/reviews'
import { setWantedHours } from '../../server/read/reviews/wantedHours'
import { parseScope } from '../../shared/figures/scope'
import { placeSchema } from '../../shared/read/places'
import { reviewFilterSchema, type Review, type ReviewFilter } from '../../shared/read/reviews'
import { breakdownById } from '../../core/breakdowns/breakdowns'
import { fill } from '../../server/report/blocks/composeReport'
import { tableOf } from '../../server/report/blocks/tableOf'
import { asKept } from '../../shared/report/blocks'
import type { FilledPlace, PlacePart } from '../../shared/read/placeBlock'
import { useDatabase } from './support/database'
import { addDemo } from './support/demo'

const { pool } = useDatabase('places')
let db: ClientDb
let other: ClientDb
const SEPTEMBER = { period: '2026-09', against: 'before' }
const scopeOf = (query: Record<string, string>) => resolveScope(db, parseScope(query))
const asked = async <T = Record<string, never>>(text: string, values: unknown[] = []) =>
  (await pool().query<RowDataPacket[]>(text, values))[0] as T[]
const sum = (rows: readonly { n: string | number | null }[]) => Number(rows[0]!.n ?? 0)
const list = async (filter: Partial<ReviewFilter> = {}, query: Record<string, string> = SEPTEMBER) =>
  listReviews(db, await scopeOf(query), reviewFilterSchema.cast(filter))

beforeAll(async () => {
  await addDemo()
  db = await clientDbForJob(1)
  other = await clientDbForJob(2)
})

describe('places beside each other', () => {
  it('have what the raw rows of their listings say, place by place', async () => {
    const { places } = await placesIn(db, await scopeOf(SEPTEMBER))
    expect(places).toHaveLength(5)
    for (const { listing, values, perViews } of places) {
      const of = async (what: string) =>
        sum(
          await asked(
            `SELECT SUM(${what}) AS n FROM profile_day WHERE profile_id = ? AND day BETWEEN '2026-09-01' AND '2026-09-30'`,
            [listing],
          ),
        )
      expect(values).toMatchObject({
        searches: await of('searches'),
        listing_views: await of('listing_views'),
        listing_actions: await of('site_clicks + directions + calls + messages + bookings'),
        bookings: await of('bookings'),
      })
      expect(perViews!.value).toBeCloseTo((1000 * values.listing_actions!) / values.listing_views!, 9)
      expect(perViews!.low).toBeLessThan(perViews!.value)
    }
  })

  it('have a middle, and a best by its near end', async () => {
    const { places, median, best } = await placesIn(db, await scopeOf(SEPTEMBER))
    const rates = places.map(({ perViews }) => perViews!.value).sort((a, b) => a - b)
    expect(median).toMatchObject({ places: 5 })
    expect(median!.perViews).toBeCloseTo(rates[2]!, 9)
    expect(best!.perViews.low).toBe(Math.max(...places.map(({ perViews }) => perViews!.low)))
  })

  it('one over three periods, its calls by weekday and hour, and where people asked for the way', async () => {
    const [first] = await placesOf(db)
    const { periods, calls, areas, withheld } = await placeInsights(db, await scopeOf(SEPTEMBER), first!.id)
    expect(periods.map(({ id, words }) => [id, words])).toEqual([
      ['now', '1 to 30 September 2026'],
      ['before', '1 to 31 August 2026'],
      ['year', '1 to 30 September 2025'],
    ])
    const listing = first!.listing!.id
    const views = async (from: string, to: string) =>
      sum(
        await asked('SELECT SUM(listing_views) AS n FROM profile_day WHERE profile_id = ? AND day BETWEEN ? AND ?', [
          listing,
          from,
          to,
        ]),
      )
    expect(periods.map(({ values }) => values.listing_views)).toEqual([
      await views('2026-09-01', '2026-09-30'),
      await views('2026-08-01', '2026-08-31'),
      await views('2025-09-01', '2025-09-30'),
    ])
    // every call of the month is in one of the hours: means times their days are the sum
    const all = calls!.byHour.reduce(
      (total, hours, day) => total + hours.reduce((a, b) => a + b, 0) * calls!.days[day]!,
      0,
    )
    expect(all).toBeCloseTo(periods[0]!.values.calls!, 6)
    expect(calls!.days.reduce((a, b) => a + b, 0)).toBe(30)
    const placed = areas.reduce((total, { requests }) => total + requests, 0)
    const [known] = await asked<{ requests: string; days: number }>(
      `SELECT SUM(directions) AS requests, COUNT(*) AS days FROM profile_day d WHERE profile_id = ? AND day BETWEEN '2026-09-01'
       AND '2026-09-30' AND day IN (SELECT day FROM profile_day_breakdown b WHERE b.profile_id = d.profile_id AND breakdown = 42)`,
      [listing],
    )
    expect(withheld).toEqual({
      requests: Number(known!.requests) - placed,
      of: Number(known!.requests),
      days: known!.days,
    })
    expect(withheld!.requests).toBeGreaterThan(0)
  })

  it('one as a block, part by part: what the raw rows say, what is missing, and nothing of the other parts', async () => {
    const scope = await scopeOf(SEPTEMBER)
    const [first] = await placesOf(db)
    const partOf = async (shows: PlacePart, place = first!.id) => {
      const filled = await fill(db, scope, asKept({ id: 'x', kind: 'place', place, shows }), { rivals: false })
      return { filled: filled as FilledPlace, table: tableOf(filled, db.timeZone)! }
    }
    const listing = first!.listing!.id
    const figures = await partOf('figures')
    const [raw] = await asked<{ searches: string; calls: string }>(
      `SELECT SUM(searches) AS searches, SUM(calls) AS calls FROM profile_day
       WHERE profile_id = ? AND day BETWEEN '2026-09-01' AND '2026-09-30'`,
      [listing],
    )
    const column = (title: string) => figures.table.columns.findIndex((each) => each.title === title)
    expect(figures.table.rows.map(([words]) => words)).toEqual([
      '1 to 30 September 2026',
      '1 to 31 August 2026',
      '1 to 30 September 2025',
    ])
    expect(figures.table.rows[0]![column('Searches')]).toBe(Number(raw!.searches))
    expect(figures.table.rows[0]![column('Calls')]).toBe(Number(raw!.calls))
    for (const [shows, breakdown] of [
      ['areas', 42],
      ['searches', breakdownById('searches_by_kind').code],
      ['surfaces', breakdownById('listing_views_by_surface').code],
    ] as const) {
      const { table, filled } = await partOf(shows)
      const rows = await asked<{ n: string }>(
        `SELECT SUM(value) AS n FROM profile_day_breakdown WHERE profile_id = ? AND breakdown = ?
         AND day BETWEEN '2026-09-01' AND '2026-09-30' GROUP BY part_id`,
        [listing, breakdown],
      )
      const all = rows.reduce((total, { n }) => total + Number(n), 0)
      expect(
        table.rows.map(([, count]) => count),
        shows,
      ).toEqual(rows.map(({ n }) => Number(n)).sort((a, b) => b - a))
      expect(table.rows[0]![2]).toBeCloseTo(Number(table.rows[0]![1]) / all, 12)
      expect(Object.keys(filled).sort().join(), shows).toMatch(
        /^(heading|id|kind|name|parts|shows|timeZone|title|version|withheld|comment|missing|who|,)+$/,
      )
    }
    const calls = await partOf('calls')
    expect([calls.table.rows.length, calls.table.columns.length]).toEqual([24, 8])
    const pictures = await partOf('pictures')
    const [many] = await asked<{ n: number }>(
      `SELECT COUNT(*) AS n FROM listing_picture WHERE profile_id = ? AND added_at < '2026-09-30 23:00:00'
       AND (removed_at IS NULL OR removed_at >= '2026-08-31 23:00:00')`,
      [listing],
    )
    expect(pictures.table.rows).toHaveLength(Math.min(24, many!.n))
    expect((await partOf('record')).table.rows).toContainEqual(['Name', first!.name])
    expect((await partOf('figures', 999_999)).filled).not.toHaveProperty('name')
    expect((await partOf('figures', 999_999)).table.rows).toEqual([])
  })

  it('count nothing as withheld on days of which areas were never fetched', async () => {
    const [first] = await placesOf(db)
    const { periods, withheld } = await placeInsights(
      db,
      await scopeOf({ period: '2026-01..2026-09', against: 'none' }),
      first!.id,
    )
    expect(withheld!.days).toBeLessThan(200)
    expect(withheld!.of).toBeLessThan(periods[0]!.values.directions! * 0.8)
  })

  it('say why one has no figures, and are left out when they are switched off', async () => {
    const id = await addPlace(db, placeSchema.validateSync({ name: 'A new hut' }))
    const scope = await scopeOf(SEPTEMBER)
    expect((await placesIn(db, scope)).without).toEqual([
      { id, name: 'A new hut', reason: 'It has no listing yet. Say which profile it is.' },
    ])
    await switchPlace(db, id, false)
    expect((await placesIn(db, scope)).without).toEqual([])
    expect(await removePlace(db, id)).toBe(true)
    await expect(placeById(db, id)).rejects.toThrow('no such place')
    expect(await bringBackPlace(db, id)).toBe(true)
    await removePlace(db, id)
  })

  it('have one listing each, of the client’s own', async () => {
    const [first, second] = await placesOf(db)
    const put = (listing: number | null) => changePlace(db, first!.id, placeSchema.validateSync({ ...first, listing }))
    await expect(put(second!.listing!.id)).rejects.toThrow('stands for another place already')
    const [rival] = await asked<{ id: number }>(
      'SELECT profile_id AS id FROM profile WHERE is_rival = 1 AND client_id = 1',
    )
    await expect(put(rival!.id)).rejects.toThrow('none of the client’s own')
    const [foreign] = await placesOf(other)
    await expect(put(foreign!.listing!.id)).rejects.toThrow('none of the client’s own')
    await put(first!.listing!.id)
  })
})

describe('files of places', () => {
  it.each(['csv', 'geojson', 'jsonld'] as const)('as %s say nothing new when they come back', async (form) => {
    const file = await placesAs(db, form)
    const said = await placesFile(db, file, false)
    // hours by months have no form in schema.org that says the same, so that they are not told there
    expect(said).toEqual({ added: [], changed: [], same: 5, refused: [] })
  })

  it('are looked at before anything is written, and then taken as a whole', async () => {
    const file =
      'name,telephone,country\nMossgate tea rooms,01632 960041,GB\nA kiosk,+44 1632 960050,\nBad,12,GB\nA kiosk,,\n'
    const said = await placesFile(db, file, false)
    expect(said.added).toEqual([{ name: 'A kiosk' }])
    expect(said.changed.map(({ name, changes }) => [name, changes])).toEqual([
      ['Mossgate tea rooms', [{ field: 'phone', from: '+441632960014', to: '+441632960041' }]],
    ])
    expect(said.refused).toEqual([
      { row: 3, name: 'Bad', reason: 'Write the number with its country, such as +44 1632 960014.' },
      { row: 4, name: 'A kiosk', reason: 'It comes twice in the file.' },
    ])
    expect((await placesOf(db)).some(({ name }) => name === 'A kiosk')).toBe(false)
    await placesFile(db, file, true)
    const tea = (await placesOf(db)).find(({ name }) => name === 'Mossgate tea rooms')!
    expect([tea.phone, tea.street, tea.listing?.name]).toEqual(['+441632960041', '3 Fern Walk', 'Mossgate tea rooms'])
    await removePlace(db, (await placesOf(db)).find(({ name }) => name === 'A kiosk')!.id)
  })

  it.each([
    ['{"a"', /cannot be read/],
    ['{"type":"FeatureCollection"}', /no GeoJSON/],
    ['[]', /no LocalBusiness/],
    ['town\nSkarle', /no column “name”/],
    ['name,colour\nA,b', /“colour” is no field/],
  ])('that cannot be one are refused: %s', async (file, sentence) => {
    await expect(placesFile(db, file, false)).rejects.toThrow(sentence)
  })
})

describe('reviews', () => {
  it('come to what the raw rows say', async () => {
    const { all, places, ever, before, perWeek } = await reviewsOf(db, await scopeOf(SEPTEMBER), true)
    const rows = await asked<{ stars: number; profile_id: number; day: string }>(
      'SELECT r.stars, r.profile_id, r.day FROM review r WHERE r.client_id = 1',
    )
    const within = (from: string, to: string) => rows.filter(({ day }) => day >= from && day <= to)
    const mean = (of: readonly { stars: number }[]) => of.reduce((total, { stars }) => total + stars, 0) / of.length
    const september = within('2026-09-01', '2026-09-30')
    expect(september.length).toBeGreaterThan(20)
    expect(all.rating.count).toBe(september.length)
    expect(all.rating.mean).toBeCloseTo(mean(september), 12)
    expect(ever.mean).toBeCloseTo(mean(within('2000-01-01', '2026-09-30')), 12)
    expect(before!.rating.mean).toBeCloseTo(mean(within('2026-08-01', '2026-08-31')), 12)
    expect(perWeek).toBeCloseTo((september.length * 7) / 30, 12)
    for (const { profile, rating, shrunk } of places) {
      const own = september.filter(({ profile_id: id }) => id === profile)
      expect(rating.count).toBe(own.length)
      // by hand: ten more reviews at the mean of all so far
      if (own.length > 0) expect(shrunk).toBeCloseTo((mean(own) * own.length + 10 * ever.mean!) / (own.length + 10), 12)
    }
  })

  it('are answered in time as their instants say', async () => {
    const { all } = await reviewsOf(db, await scopeOf(SEPTEMBER), true)
    const [row] = await asked<{ due: string; done: string; waiting: string }>(`
      SELECT COUNT(*) AS due, SUM(answered_at IS NOT NULL AND TIMESTAMPDIFF(SECOND, written_at, answered_at) <= 172800) AS done,
             SUM(answered_at IS NULL) AS waiting
      FROM   review WHERE client_id = 1 AND day BETWEEN '2026-09-01' AND '2026-09-30'`)
    expect(all.answering.inTime).toMatchObject({ of: Number(row!.due), answered: Number(row!.done) })
    expect(all.answering.waiting).toBe(Number(row!.waiting))
    await setWantedHours(db, 1)
    expect((await reviewsOf(db, await scopeOf(SEPTEMBER), true)).all.answering.inTime!.answered).toBeLessThan(
      Number(row!.done),
    )
    await setWantedHours(db, 48)
  })

  it('are listed page by page, each once, by every filter', async () => {
    const seen: Review[] = []
    let after = ''
    for (let page = 0; page < 20; page++) {
      const { reviews, next } = await list({ after })
      seen.push(...reviews)
      if (!next) break
      after = next
    }
    const rows = await asked<{ id: string }>(
      "SELECT remote_id AS id FROM review WHERE client_id = 1 AND day BETWEEN '2026-09-01' AND '2026-09-30' " +
        'ORDER BY written_at DESC, profile_id DESC, remote_id DESC',
    )
    expect(seen.map(({ id }) => id)).toEqual(rows.map(({ id }) => id))
    const meant = async (filter: Partial<ReviewFilter>) => (await list(filter)).reviews.map(({ id }) => id)
    const first = (is: (review: Review) => boolean) =>
      seen
        .filter(is)
        .map(({ id }) => id)
        .slice(0, 20)
    expect(await meant({ state: 'waiting' })).toEqual(first(({ answeredAt }) => !answeredAt))
    expect(await meant({ stars: '1,2' })).toEqual(first(({ stars }) => stars! <= 2))
    expect(await meant({ about: 'food', mood: 'bad' })).toEqual(
      first(({ text, language }) => {
        const about = reviewAbout(text, language)
        return about?.mood === 'bad' && about.subjects.includes('food')
      }),
    )
    const [place] = await placesOf(db)
    expect(await meant({ place: String(place!.id) })).toEqual(first(({ place: own }) => own?.id === place!.id))
  })

  it('that were misread count as somebody has read them', async () => {
    const { reviews } = await list({ mood: 'good' })
    const [review] = reviews
    const before = (await reviewsOf(db, await scopeOf(SEPTEMBER), true)).moods
    await readReview(db, review!, { mood: 'bad', subjects: ['waiting'] }, 1)
    const after = await reviewsOf(db, await scopeOf(SEPTEMBER), true)
    expect(after.moods).toEqual({ ...before, good: before.good - 1, bad: before.bad + 1 })
    expect((await list({ mood: 'bad', about: 'waiting' })).reviews.map(({ id }) => id)).toContain(review!.id)
    await unreadReview(db, review!)
    expect((await reviewsOf(db, await scopeOf(SEPTEMBER), true)).moods).toEqual(before)
  })
})

describe('answers to reviews', () => {
  const taken: string[] = []
  const send = (_: ClientDb, { id }: { id: string }, text: string) => {
    taken.push(`${id} ${text}`)
    return Promise.resolve(text.includes('www') ? 'No addresses.' : '')
  }

  it('go from a draft over an approval to the network, and count from then on', async () => {
    const [review] = (await list({ state: 'waiting' })).reviews
    const waiting = (await reviewsOf(db, await scopeOf(SEPTEMBER), true)).all.answering.waiting
    await expect(moveReply(db, review!, 'sent', 1, send)).rejects.toThrow('answer')
    await writeReply(db, review!, 'Thank you.', 1)
    await expect(moveReply(db, review!, 'sent', 1, send)).rejects.toThrow('Approve the answer first')
    await moveReply(db, review!, 'approved', 1, send)
    await writeReply(db, review!, 'Thank you, Oona.', 1)
    await expect(moveReply(db, review!, 'sent', 1, send)).rejects.toThrow('Approve the answer first')
    await moveReply(db, review!, 'approved', 1, send)
    expect(await moveReply(db, review!, 'sent', 1, send)).toEqual({ state: 'sent', refusal: '' })
    expect(taken).toEqual([`${review!.id} Thank you, Oona.`])
    await expect(moveReply(db, review!, 'sent', 1, send)).rejects.toThrow('sent already')
    await expect(writeReply(db, review!, 'Another.', 1)).rejects.toThrow('sent already')
    await expect(removeReply(db, review!)).rejects.toThrow('answer')
    expect((await reviewsOf(db, await scopeOf(SEPTEMBER), true)).all.answering.waiting).toBe(waiting - 1)
    const shown = (await list({ state: 'answered' })).reviews.find(({ id }) => id === review!.id)
    expect(shown).toMatchObject({ answer: 'Thank you, Oona.', isLate: false })
  })

  it('that the network refuses say why, and can be mended', async () => {
    const [review] = (await list({ state: 'waiting' })).reviews
    await writeReply(db, review!, 'See www.mossgate.example', 1)
    await moveReply(db, review!, 'approved', 1, send)
    expect(await moveReply(db, review!, 'sent', 1, send)).toEqual({ state: 'refused', refusal: 'No addresses.' })
    expect((await list({ state: 'waiting' })).reviews[0]!.reply).toMatchObject({
      state: 'refused',
      refusal: 'No addresses.',
    })
    await writeReply(db, review!, 'Thank you.', 1)
    expect((await list({ state: 'waiting' })).reviews[0]!.reply).toMatchObject({ state: 'draft', refusal: '' })
    await removeReply(db, review!)
  })

  it('stay drafts when they were changed while they were sent', async () => {
    const [review] = (await list({ state: 'waiting' })).reviews
    await writeReply(db, review!, 'Thank you.', 1)
    await moveReply(db, review!, 'approved', 1, send)
    const slowly = async () => {
      await writeReply(db, review!, 'Something else.', 1)
      return ''
    }
    await expect(moveReply(db, review!, 'sent', 1, slowly)).rejects.toThrow('changed the answer meanwhile')
    await removeReply(db, review!)
  })

  it('come from templates with their fields filled in, one text after the other', async () => {
    const [review] = (await list({ state: 'waiting' })).reviews
    const template = await addTemplate(db, { name: 'Two', variants: ['A {author} of {place}', 'B {author}'] })
    const proposed = await proposeReply(db, review!, template)
    expect([`A ${review!.author} of ${review!.place!.name}`, `B ${review!.author}`]).toContain(proposed)
    await writeReply(db, review!, proposed, 1)
    expect(await proposeReply(db, review!, template)).not.toBe(proposed)
    await removeReply(db, review!)
  })

  it('do not take the place of one that somebody has given on the network', async () => {
    const [review] = (await list({ state: 'answered', stars: '5' })).reviews.filter(({ reply }) => !reply)
    await expect(writeReply(db, review!, 'Another.', 1)).rejects.toThrow('answered on the network already')
    const [waiting] = (await list({ state: 'waiting' })).reviews
    await writeReply(db, waiting!, 'Thank you.', 1)
    await moveReply(db, waiting!, 'approved', 1, send)
    await pool().query('UPDATE review SET answer = "There first", answered_at = written_at WHERE remote_id = ?', [
      waiting!.id,
    ])
    await expect(moveReply(db, waiting!, 'sent', 1, send)).rejects.toThrow('answered on the network already')
  })

  it('to a review of somebody else are to none', async () => {
    const [review] = (await list()).reviews
    await expect(writeReply(other, review!, 'x', 1)).rejects.toThrow('review')
    await expect(readReview(other, review!, { mood: 'bad', subjects: [] }, 1)).rejects.toThrow('review')
  })
})
