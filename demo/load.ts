import type { Pool, PoolConnection, RowDataPacket } from 'mysql2/promise'
import { addDays, daysBetween, type Day } from '../core/days/day'
import { dayAt } from '../core/days/lastCompleteDay'
import { DATASETS, POST_COUNTS, POST_RETENTION } from '../core/datasets/datasets'
import { isSought, joinFound, ranksOf } from '../core/ranks/found'
import { gridPoints, middleOf } from '../core/ranks/rankGrid'
import { inFirst } from '../core/ranks/rankFigures'
import { rhythmById } from '../core/ranks/rankRhythm'
import { FACT_COLUMNS, PUBLIC_COLUMNS } from '../core/metrics/storedFigures'
import { daysEnding, eachDay } from '../core/periods/period'
import { hashPassword } from '../server/platform/people/password'
import { seal } from '../server/platform/people/secrets'
import { applyRules } from '../server/figures/tagging'
import { clientDb, inTransaction, type ClientRow } from '../server/platform/database/clientDb'
import { STORED_BREAKDOWNS, breakdownById } from '../core/breakdowns/breakdowns'
import { NETWORKS } from '../core/networks/networks'
import { AGENCY, CLIENTS, EVENTS, PEOPLE, POLLS, SETS, TAGS, TARGETS } from './cast'
import { PROFILES, type DemoProfile } from './profiles'
import { INDUSTRY } from './industry'
import { breakdownsOf } from './breakdowns'
import { loadDirectories } from './loadDirectories'
import { LINK_PAGES, LINKS, viewsOf, visitsOf } from './links'
import { listingPicturesIn } from './listingPictures'
import { pictureOf } from './pictures'
import { demoPlans } from './plan'
import { LOOKED_AT_HOURS } from './postLife'
import { retentionOf } from './retention'
import { PLACES, REPLY_TEMPLATES } from './places'
import { questionsIn } from './questions'
import { reviewsIn } from './reviews'
import { foundFrom, RANK_WATCHES } from './ranks'
import { SITES, trafficOn } from './traffic'
import { volumeOf } from './volume'
import { world } from './world'

/** How far back the database's own past goes, and where it stops: the newest days are left for the first sync. */
const PAST_DAYS = 730
const LEFT_TO_SYNC_DAYS = 10
/** How far back the breakdowns go: they are many rows. */
const PARTS_DAYS = 200

/** How far back clicks of links were counted. */
const CLICKED_DAYS = 260

/** How far back posts were looked at over their life: it is many rows. */
const WATCHED_DAYS = 130

/** The networks that say how far videos were watched. */
const GIVES_RETENTION: readonly string[] = POST_RETENTION.stream!.networks

/** The streams of datasets that a network has of its own. */
const streamsOf = (network: string): string[] =>
  DATASETS.flatMap(({ stream }) => (stream?.networks.includes(network) ? [stream.id] : []))

const instant = (at: number): string => new Date(at).toISOString().slice(0, 19).replace('T', ' ')

/** Whether the application has its past: with its owner's consent, or because anybody can see a rival. */
const isKnown = ({ connected, rival }: DemoProfile): boolean => connected || rival !== undefined

/**
 * Puts the scenario into an empty database: the agency, its people and clients, and two years of figures as if they had
 * been synced all along.
 *
 * @param anchor    the last complete day
 * @param password  of the three people
 * @param tokenFor  the token that a network has given for a profile
 */
export async function loadDemo(
  pool: Pool,
  anchor: Day,
  password: string,
  tokenFor: (network: string, remoteId: string) => string,
): Promise<void> {
  const hash = await hashPassword(password)
  await inTransaction(pool, async (db) => {
    const insert = async (text: string, values: unknown[]): Promise<number> => {
      const [result] = await db.query(text, values)
      return (result as { insertId: number }).insertId
    }
    /** Inserts rows, if there are any. */
    const fill = async (text: string, rows: readonly unknown[][]): Promise<void> => {
      if (rows.length > 0) await db.query(`${text} VALUES ?`, [rows])
    }
    /** Inserts things as they are, a column for each of their fields; what ends in “_at” is an instant. */
    const fillOf = async <Thing extends object>(
      table: string,
      keys: unknown[],
      things: readonly Thing[],
    ): Promise<void> => {
      const names = Object.keys(things[0] ?? {}) as (keyof Thing & string)[]
      const cell = (name: string, value: unknown) =>
        name.endsWith('_at') && value !== null ? instant(Date.parse(String(value))) : value
      await fill(
        `INSERT INTO ${table} (client_id, profile_id, ${names.join(', ')})`,
        things.map((thing) => [...keys, ...names.map((name) => cell(name, thing[name]))]),
      )
    }
    const agency = await insert(
      'INSERT INTO agency (name, address, contact, colour, logo_svg, active_profiles, active_places) VALUES (?, ?, ?, ?, ?, ?, ?)',
      [
        ...[AGENCY.name, AGENCY.address, AGENCY.contact, AGENCY.colour, AGENCY.logo],
        ...[AGENCY.activeProfiles, AGENCY.activePlaces],
      ],
    )
    const clients = new Map<string, number>()
    for (const { slug, name, timeZone, universe, website } of CLIENTS) {
      clients.set(
        slug,
        await insert(
          'INSERT INTO client (agency_id, slug, name, time_zone, universe, website, released) VALUES (?, ?, ?, ?, ?, ?, ?)',
          [agency, slug, name, timeZone, universe, website, slug === 'mossgate-gardens' ? 'figures' : ''],
        ),
      )
    }
    let author = 0
    for (const person of PEOPLE) {
      const id = await insert(
        'INSERT INTO person (agency_id, email, name, role, password_hash, is_demo) VALUES (?, ?, ?, ?, ?, 1)',
        [agency, person.email, person.name, person.role, hash],
      )
      if (person.role === 'analyst') author = id
      for (const slug of person.clients)
        await insert('INSERT INTO person_client (person_id, client_id) VALUES (?, ?)', [id, clients.get(slug)])
    }
    const { partOfDay, posts, postAt } = world(anchor)
    const last = addDays(anchor, -LEFT_TO_SYNC_DAYS)
    const idOf = new Map<string, number>()
    for (const profile of PROFILES.filter(({ isHidden }) => !isHidden)) {
      const client = clients.get(profile.client)
      const id = await insert(
        'INSERT INTO profile (client_id, network, handle, name, remote_id, is_rival, rival, consent, synced_at) ' +
          'VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)',
        [
          client,
          profile.network,
          profile.formerHandle ?? profile.handle,
          profile.formerHandle ?? profile.name,
          profile.remoteId,
          profile.rival ? 1 : 0,
          profile.rival ?? null,
          profile.connected ? 'given' : 'none',
          isKnown(profile) ? `${last} 06:00:00` : null,
        ],
      )
      const connection = await insert(
        'INSERT INTO connection (client_id, connector, profile_id, credentials, may_publish) VALUES (?, ?, ?, ?, ?)',
        [
          client,
          profile.network,
          id,
          profile.connected ? seal(tokenFor(profile.network, profile.remoteId)) : null,
          profile.connected ? 1 : 0,
        ],
      )
      idOf.set(`${profile.network} ${profile.handle}`, id)
      if (!isKnown(profile)) continue
      await db.query('INSERT INTO sync_cursor (client_id, connection_id, stream, through) VALUES ?', [
        ['figures', 'posts', 'breakdowns', ...streamsOf(profile.network)].map((stream) => [
          client,
          connection,
          stream,
          last,
        ]),
      ])
      const days = eachDay(daysEnding(last, PAST_DAYS - LEFT_TO_SYNC_DAYS))
      const columns = profile.rival ? PUBLIC_COLUMNS : FACT_COLUMNS
      const rows = days.flatMap((day) => partOfDay(profile, day, addDays(day, 30), columns) ?? [])
      await db.query(`INSERT INTO profile_day (client_id, profile_id, day, ${columns.join(', ')}) VALUES ?`, [
        rows.map((row) => [client, id, row.day, ...columns.map((column) => row[column] ?? null)]),
      ])
      // what was published since the last figures is there too, as it was when it was last looked at
      const until = Date.parse(`${anchor}T23:59:59Z`)
      const written = [...days, ...eachDay({ from: addDays(last, 1), to: anchor })].flatMap((day) =>
        posts(profile, day),
      )
      const published = written.map((post) => postAt(post, until))
      const { timeZone } = CLIENTS.find(({ slug }) => slug === profile.client)!
      const counts = profile.rival ? (['reactions', 'comments', 'shares'] as const) : POST_COUNTS
      await fill(
        'INSERT INTO post (client_id, profile_id, remote_id, published_at, day, format, text, picture_url, alt, ' +
          `${counts.join(', ')})`,
        published.map((post) => [
          client,
          id,
          post.remoteId,
          instant(Date.parse(post.publishedAt)),
          dayAt(Date.parse(post.publishedAt), timeZone),
          post.format,
          post.text,
          post.hasPicture ? `pictures/${profile.remoteId}/${post.remoteId}.svg` : null,
          post.hasPicture ? pictureOf(profile.client, post).alt : null,
          ...counts.map((count) => post[count] ?? null),
        ]),
      )
      const pictured = published.filter(({ hasPicture }) => hasPicture)
      await fill(
        'INSERT INTO post_picture (client_id, profile_id, remote_id, type, bytes)',
        pictured.map((post) => [
          client,
          id,
          post.remoteId,
          'image/svg+xml',
          Buffer.from(pictureOf(profile.client, post).svg),
        ]),
      )
      const looks = written
        .filter(({ day }) => day > addDays(last, -WATCHED_DAYS))
        .flatMap((post) =>
          LOOKED_AT_HOURS.flatMap((hours) => {
            const at = Date.parse(post.publishedAt) + hours * 3_600_000
            if (at > until) return []
            const then = postAt(post, at)
            return [[client, id, post.remoteId, instant(at), ...counts.map((count) => then[count] ?? null)]]
          }),
        )
      await fill(
        `INSERT INTO post_observation (client_id, profile_id, remote_id, observed_at, ${counts.join(', ')})`,
        looks,
      )
      const watched = GIVES_RETENTION.includes(profile.network) && !profile.rival
      await fillOf('post_retention', [client, id], watched ? published.flatMap((post) => retentionOf(post) ?? []) : [])
      const fetched = Date.parse(`${last}T23:59:59Z`)
      await fillOf('review', [client, id], reviewsIn(profile.remoteId, days, anchor, fetched))
      await fillOf('question', [client, id], questionsIn(profile.remoteId, days, fetched))
      const shown = listingPicturesIn(profile.remoteId, days, fetched)
      await fillOf('listing_picture', [client, id], shown)
      await fill(
        'INSERT INTO listing_picture_file (client_id, profile_id, remote_id, type, bytes)',
        shown.map(({ remote_id: remoteId }) => [
          client,
          id,
          remoteId,
          'image/svg+xml',
          Buffer.from(pictureOf(profile.client, { remoteId, text: '' }).svg),
        ]),
      )
      if (profile.rival || !STORED_BREAKDOWNS.some(({ networks }) => networks[profile.network])) continue
      const known = new Map(rows.map((row) => [row.day, row]))
      const dayOf = (day: Day) => known.get(day)
      const parts = days.slice(-PARTS_DAYS).flatMap((day) => breakdownsOf(profile, day, dayOf))
      const partId = await partIdsOf(db, client!, parts)
      await db.query(
        'INSERT INTO profile_day_breakdown (client_id, profile_id, breakdown, day, part_id, value) VALUES ?',
        [
          parts.map(({ breakdown, day, part, value }) => [
            client,
            id,
            breakdownById(breakdown).code,
            day,
            partId.get(part),
            value,
          ]),
        ],
      )
    }
    const volume = NETWORKS.flatMap(({ id }) =>
      eachDay(daysEnding(last, PAST_DAYS - LEFT_TO_SYNC_DAYS)).map((day) => ({
        network: id,
        ...volumeOf(id, day, anchor),
      })),
    )
    await db.query('INSERT INTO network_day (network, day, posts, interactions, impressions) VALUES ?', [
      volume.map(({ network, day, posts: written, interactions, impressions }) => [
        network,
        day,
        written,
        interactions,
        impressions,
      ]),
    ])
    for (const { client, name, members } of SETS) {
      const set = await insert('INSERT INTO profile_set (client_id, name) VALUES (?, ?)', [clients.get(client), name])
      for (const member of members)
        await insert('INSERT INTO profile_set_member VALUES (?, ?, ?)', [clients.get(client), set, idOf.get(member)])
    }
    for (const { client, metric, members, wanted, from, by } of TARGETS) {
      const who = members.length === 0 ? 'all' : 'some'
      const target = await insert(
        'INSERT INTO target (client_id, metric, who, wanted, from_day, by_day, created_by) VALUES (?, ?, ?, ?, ?, ?, ?)',
        [clients.get(client), metric, who, wanted, addDays(anchor, -from), addDays(anchor, by), author],
      )
      for (const member of members)
        await insert('INSERT INTO target_member VALUES (?, ?, 0, ?)', [clients.get(client), target, idOf.get(member)])
    }
    for (const { client, from, to, note } of EVENTS) {
      if (note)
        await insert(
          'INSERT INTO note (client_id, from_day, to_day, title, body, written_by) VALUES (?, ?, ?, ?, ?, ?)',
          [clients.get(client), addDays(anchor, -from), addDays(anchor, -to), note.title, note.body, author],
        )
    }
    const blocks = [
      {
        id: 'figures',
        kind: 'figures',
        title: 'The period at a glance',
        metrics: ['reach', 'impressions', 'interactions', 'engagement_by_reach', 'followers_net'],
        text: '',
        comment: '',
      },
      { id: 'line', kind: 'chart', title: '', metrics: ['impressions'], text: '', comment: '' },
      {
        id: 'profiles',
        kind: 'table',
        title: 'By profile',
        metrics: ['followers', 'reach', 'interactions', 'engagement_by_reach', 'posts'],
        text: '',
        comment: '',
      },
    ]
    for (const { slug, name } of CLIENTS) {
      await insert('INSERT INTO report (client_id, title, period, against, blocks) VALUES (?, ?, ?, ?, ?)', [
        clients.get(slug),
        `${name}, four-week report`,
        'last-28-days',
        'before',
        JSON.stringify(blocks),
      ])
    }
    await fill(
      'INSERT INTO industry_figure (client_id, measure, network, from_size, below_size, lower_value, middle_value, ' +
        'upper_value, source, day, is_invented)',
      INDUSTRY.figures.map((figure) => [
        clients.get(INDUSTRY.client),
        ...figure,
        INDUSTRY.source,
        addDays(anchor, -INDUSTRY.ago),
        1,
      ]),
    )
    for (const { client, ago, answers, ...poll } of POLLS)
      await insert(
        'INSERT INTO poll (client_id, question, asked, chosen, from_day, to_day, is_multiple, people, answers, created_by) ' +
          'VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)',
        [
          clients.get(client),
          poll.question,
          poll.asked,
          poll.chosen,
          addDays(anchor, -ago),
          addDays(anchor, -ago + 6),
          poll.people === null ? 0 : 1,
          poll.people,
          JSON.stringify(answers.map(([text, count]) => ({ text, count }))),
          author,
        ],
      )
    for (const { slug, timeZone } of CLIENTS) {
      const client = clients.get(slug)
      for (const plan of demoPlans(anchor, timeZone).filter(({ client: of }) => of === slug)) {
        const isApproved = plan.state === 'approved' || plan.state === 'scheduled'
        const id = await insert(
          'INSERT INTO planned_post (client_id, post_key, state, content, planned_at, written_by, written_name, ' +
            'approved_name, approved_version) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?)',
          [
            client,
            plan.key,
            plan.state,
            plan.content,
            plan.at === undefined ? null : instant(plan.at),
            author,
            PEOPLE.find(({ role }) => role === 'analyst')!.name,
            isApproved ? PEOPLE[0].name : '',
            isApproved ? 1 : null,
          ],
        )
        for (const member of plan.on)
          await insert(
            'INSERT INTO planned_posting (client_id, planned_id, profile_id, own_text) VALUES (?, ?, ?, ?)',
            [client, id, idOf.get(member), plan.own?.[member] ?? null],
          )
      }
    }
    await loadPlaces(db, clients, idOf)
    await loadRanks(db, clients, anchor)
    await loadDirectories(db, clients, anchor)
    await loadTraffic(db, clients, anchor)
    await loadLinks(db, clients, anchor, author)
    for (const { client, name, colour, rule } of TAGS) {
      const id = await insert(
        'INSERT INTO tag (client_id, name, live_name, colour, created_by) VALUES (?, ?, ?, ?, ?)',
        [clients.get(client), name, name, colour, author],
      )
      await insert('INSERT INTO tag_rule (client_id, tag_id, any_words, hashtags, created_by) VALUES (?, ?, ?, ?, ?)', [
        clients.get(client),
        id,
        'any' in rule ? rule.any : '',
        'hashtags' in rule ? rule.hashtags : '',
        author,
      ])
    }
  })
  const [rows] = await pool.query<(RowDataPacket & ClientRow)[]>(
    'SELECT client_id, slug, name, time_zone, universe, released FROM client',
  )
  for (const row of rows) await applyRules(clientDb(row, pool))
}

/** The places with their listings, and what the analysts usually answer to reviews. */
async function loadPlaces(
  db: PoolConnection,
  clients: ReadonlyMap<string, number>,
  idOf: ReadonlyMap<string, number>,
): Promise<void> {
  for (const { client, handle, record } of PLACES) {
    const fields = Object.keys(record) as (keyof typeof record)[]
    await db.query(`INSERT INTO place (client_id, profile_id, ${fields.join(', ')}) VALUES (?)`, [
      [
        clients.get(client),
        idOf.get(`waymark ${handle}`),
        ...fields.map((field) => (Array.isArray(record[field]) ? JSON.stringify(record[field]) : record[field])),
      ],
    ])
  }
  for (const { client, name, variants } of REPLY_TEMPLATES)
    await db.query('INSERT INTO reply_template (client_id, name, variants) VALUES (?)', [
      [clients.get(client), name, JSON.stringify(variants)],
    ])
}

/** What is looked for in searches, and where it was found: as if it had been checked all along, up to three days ago. */
async function loadRanks(db: PoolConnection, clients: ReadonlyMap<string, number>, anchor: Day): Promise<void> {
  let used = 0
  for (const { client, place, keyword, kind, rhythm, grid, days } of RANK_WATCHES) {
    const { record, remoteId } = PLACES.find(({ record: { name } }) => name === place)!
    const middle = { lat: record.lat!, lon: record.lon! }
    const [made] = await db.query(
      `INSERT INTO rank_watch (client_id, place_id, keyword, kind, rhythm, shape, spacing, rings, lat, lon, created_at)
       SELECT client_id, place_id, ?, ?, ?, ?, ?, ?, lat, lon, ? FROM place WHERE client_id = ? AND name = ?`,
      [
        keyword,
        kind,
        rhythm,
        grid.shape,
        grid.spacing,
        grid.rings,
        instant(Date.parse(addDays(anchor, -days))),
        clients.get(client),
        place,
      ],
    )
    const sought = kind === 'map' ? remoteId : record.web
    const points = gridPoints(middle, grid)
    const every = rhythmById(rhythm).days!
    const rows: unknown[][] = []
    for (let ago = days; ago >= 3; ago -= every) {
      const day = addDays(anchor, -ago)
      const found = joinFound(points.map((point) => foundFrom({ keyword, kind, day }, point, anchor)))
      const own = ranksOf(found, (id) => isSought(kind, sought, id))
      if (day.slice(0, 7) === anchor.slice(0, 7)) used += points.length
      rows.push([
        clients.get(client),
        (made as { insertId: number }).insertId,
        day,
        points.length,
        sought,
        own[middleOf(grid)],
        inFirst(own),
        JSON.stringify(found),
        `${day} 04:00:00`,
      ])
    }
    await db.query(
      'INSERT INTO rank_check (client_id, watch_id, day, points, sought, here, in_first, found, checked_at) VALUES ?',
      [rows],
    )
  }
  await db.query('INSERT INTO rank_use (agency_id, month, used) SELECT agency_id, ?, ? FROM agency', [
    anchor.slice(0, 7),
    used,
  ])
}

/** The clients' sites with their traffic, as files have brought it. */
async function loadTraffic(db: PoolConnection, clients: ReadonlyMap<string, number>, anchor: Day): Promise<void> {
  const [days, pages, sources]: unknown[][][] = [[], [], []]
  for (const { client, name, address } of SITES) {
    const [made] = await db.query('INSERT INTO site (client_id, name, address) VALUES (?, ?, ?)', [
      clients.get(client),
      name,
      address,
    ])
    const site = [clients.get(client), (made as { insertId: number }).insertId]
    for (const day of eachDay(daysEnding(anchor, CLICKED_DAYS))) {
      const { visits, consented, one, seven, many, pages: viewed, sources: came } = trafficOn(client, day)
      days!.push([...site, day, visits, consented, one, seven, many])
      pages!.push(
        ...viewed.map(({ page, views, unique, seconds, timed, entrances, exits }) => [
          ...site,
          day,
          page,
          views,
          unique,
          seconds,
          timed,
          entrances,
          exits,
        ]),
      )
      sources!.push(
        ...came.map(({ source, medium, visits: number, people }) => [...site, day, source, medium, number, people]),
      )
    }
  }
  for (const [table, columns, rows] of [
    ['site_day', 'visits, visits_consented, visitors_1d, visitors_7d, visitors_28d', days!],
    ['site_page_day', 'page, views, unique_views, seconds, timed_views, entrances, exits', pages!],
    ['site_source_day', 'source, medium, visits, visitors_1d', sources!],
  ] as const)
    await db.query(`INSERT INTO ${table} (client_id, site_id, day, ${columns}) VALUES ?`, [rows])
}

/** The tracked links and the public pages, with what was counted of them. */
async function loadLinks(
  db: PoolConnection,
  clients: ReadonlyMap<string, number>,
  anchor: Day,
  author: number,
): Promise<void> {
  const made = async (text: string, values: unknown[]) =>
    ((await db.query(text, values))[0] as { insertId: number }).insertId
  const visits: unknown[][] = []
  const parts: unknown[][] = []
  const keep = (place: unknown[], day: Day, found: ReturnType<typeof visitsOf>) => {
    visits.push(...(found?.hours ?? []).map(({ hour, kind, visits: many }) => [...place, day, hour, kind, many]))
    parts.push(...(found?.parts ?? []).map(({ facet, part, visits: many }) => [...place, day, facet, part, many]))
  }
  const daysOf = (from: number) => eachDay(daysEnding(anchor, Math.min(CLICKED_DAYS, from)))
  const ids = new Map<string, number>()
  for (const link of LINKS) {
    const since = 'from' in link ? link.from : CLICKED_DAYS
    const id = await made(
      'INSERT INTO tracked_link (client_id, code, name, target, source, medium, campaign, created_by, created_at, ' +
        'ended_at) VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)',
      [
        clients.get(link.client),
        link.code,
        link.name,
        link.target,
        link.source,
        link.medium,
        link.campaign,
        author,
        `${addDays(anchor, -since)} 08:00:00`,
        'ended' in link ? `${addDays(anchor, -link.ended)} 08:00:00` : null,
      ],
    )
    ids.set(link.code, id)
    for (const day of daysOf(since + 1))
      keep([clients.get(link.client), 'link', id], day, visitsOf(link, day, daysBetween(day, anchor)))
  }
  for (const page of LINK_PAGES) {
    const items = page.items.map(({ text, link }) => ({ text, link: link === undefined ? null : ids.get(link) }))
    const id = await made(
      'INSERT INTO link_page (client_id, code, title, intro, ground, ink, accent, items, created_by, created_at) ' +
        'VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?)',
      [
        clients.get(page.client),
        page.code,
        page.title,
        page.intro,
        '#FAF8F3',
        '#1B2333',
        page.accent,
        JSON.stringify(items),
        author,
        `${addDays(anchor, -CLICKED_DAYS)} 08:00:00`,
      ],
    )
    for (const day of daysOf(CLICKED_DAYS)) keep([clients.get(page.client), 'page', id], day, viewsOf(page, day))
  }
  await db.query('INSERT INTO link_visit (client_id, place, place_id, day, hour, kind, visits) VALUES ?', [visits])
  await db.query('INSERT INTO link_visit_part (client_id, place, place_id, day, facet, part, visits) VALUES ?', [parts])
}

/** The ids under which a client's names of parts are kept. */
async function partIdsOf(db: PoolConnection, client: number, parts: readonly { part: string }[]) {
  const names = [...new Set(parts.map(({ part }) => part))]
  await db.query('INSERT IGNORE INTO breakdown_part (client_id, part) VALUES ?', [names.map((name) => [client, name])])
  const [rows] = await db.query<(RowDataPacket & { part: string; part_id: number })[]>(
    'SELECT part, part_id FROM breakdown_part WHERE client_id = ?',
    [client],
  )
  return new Map(rows.map((row) => [row.part, row.part_id]))
}
