import PQueue from 'p-queue'
import { NETWORKS } from '../../../core/networks/networks'
import { isHandle, plainHandle, readProfileAddress, type NamedProfile } from '../../../core/networks/profileAddress'
import { now } from '../../platform/clock'
import { connectorFor } from '../connectors/connectorFor'
import type { ClientDb } from '../../platform/database/clientDb'
import { profilesOf } from '../../figures/questions/profileRows'
import type { ProfileRow } from '../../figures/questions/profileRows'
import { sql } from '../../platform/database/sql'
import { FetchRefused, guardedFetch } from '../../platform/outside/guardedFetch'
import { linksOf } from '../../platform/outside/linksOf'
import { badRequest, Problem } from '../../platform/problems/problem'
import type { ProfileSearch, SeenProfile } from '../../../shared/gather/find'

/** How many linked profiles and how many handles are looked up, how many at once, and how long all of it may take. */
const MOST_LINKED = 40
const MOST_HANDLES = 12
const AT_ONCE = 6
const LONGEST_MS = 20_000

/**
 * Looks through a client's web page for its profiles, then asks every network for the same handles and for the wanted
 * one.
 *
 * @param handle  the handle that is wanted everywhere; '' takes the one that is linked most
 * @throws        Problem 400 with a sentence when the page cannot be fetched or the handle cannot be one
 */
export async function findProfiles(db: ClientDb, address: string, handle: string): Promise<ProfileSearch> {
  if (handle !== '' && !isHandle(handle))
    throw badRequest('A handle is made of letters, digits, dots, dashes and underscores.', {
      fields: { handle: 'A handle is made of letters, digits, dots, dashes and underscores.' },
    })
  const page = await guardedFetch(address).catch((error: unknown) => {
    if (error instanceof FetchRefused) throw badRequest(error.message, { fields: { address: error.message } })
    throw error
  })
  const links = distinct(linksOf(page.html, page.address).flatMap((link) => readProfileAddress(link) ?? [])).slice(
    0,
    MOST_LINKED,
  )
  const rows = await profilesOf(db)
  const own = rows.filter(({ is_rival: rival }) => !rival)
  const wanted =
    plainHandle(handle) ||
    mostUsed(
      [...links, ...own.map(({ network, handle: known }) => ({ network, handle: plainHandle(known) }))].map(
        (named) => named.handle,
      ),
    )
  if (wanted === undefined)
    throw badRequest('The page links to no profile on a network that we know. Write the handle that is wanted.', {
      fields: { handle: 'Write the handle that is wanted.' },
    })
  const handles = [
    ...new Set([...links.map((link) => link.handle), ...own.map(({ handle: known }) => plainHandle(known)), wanted]),
  ].slice(0, MOST_HANDLES)
  const asked = distinct([
    ...links,
    ...NETWORKS.flatMap(({ id }) => handles.map((name) => ({ network: id, handle: name }))),
  ])
  const answers = await lookAll(asked, rows)
  const isLinked = new Set(links.map(keyOf))
  return {
    address: page.address,
    handle: wanted,
    linked: links.flatMap((link) => answers.get(keyOf(link)) ?? []),
    broken: links
      .filter((link) => !answers.get(keyOf(link)))
      .map((link) => ({ ...link, networkName: nameOf(link.network) })),
    unlinked: asked
      .filter((named) => !isLinked.has(keyOf(named)))
      .flatMap((named) => answers.get(keyOf(named)) ?? [])
      .filter(({ listed }) => listed !== 'rival'),
    free: NETWORKS.filter(({ id }) => !answers.get(`${id} ${wanted}`)).map(({ name }) => name),
    taken: NETWORKS.flatMap(({ id, name }) => {
      const found = answers.get(`${id} ${wanted}`)
      return found ? [{ networkName: name, name: found.name, isOwn: found.listed === 'own' }] : []
    }),
  }
}

const keyOf = ({ network, handle }: NamedProfile): string => `${network} ${handle}`
const nameOf = (network: string): string => NETWORKS.find(({ id }) => id === network)!.name
const distinct = (list: readonly NamedProfile[]): NamedProfile[] => [
  ...new Map(list.map((named) => [keyOf(named), named])).values(),
]

function mostUsed(handles: readonly string[]): string | undefined {
  const counts = new Map<string, number>()
  for (const handle of handles) counts.set(handle, (counts.get(handle) ?? 0) + 1)
  return [...counts].sort((a, b) => b[1] - a[1])[0]?.[0]
}

/** Asks the networks for every one of them, a few at a time. */
async function lookAll(
  asked: readonly NamedProfile[],
  rows: readonly ProfileRow[],
): Promise<Map<string, SeenProfile | undefined>> {
  const end = Date.now() + LONGEST_MS
  const queue = new PQueue({ concurrency: AT_ONCE })
  return new Map(
    await queue.addAll(
      asked.map((named) => async () => {
        if (Date.now() > end)
          throw new Problem(
            504,
            'It takes too long',
            'The networks answer too slowly to look through all of them. Nothing was kept; try again later.',
          )
        return [keyOf(named), await seen(named, rows)] as const
      }),
    ),
  )
}

async function seen(named: NamedProfile, rows: readonly ProfileRow[]): Promise<SeenProfile | undefined> {
  const found = await connectorFor({ connector: named.network })
    .lookup?.(named.handle)
    .catch((error: Error) => {
      throw new Problem(502, 'A network does not answer', `${error.message} Nothing was kept; try again in a moment.`)
    })
  if (!found) return undefined
  const row = rows.find(({ network, remote_id: id }) => network === named.network && id === found.remoteId)
  return {
    ...named,
    networkName: nameOf(named.network),
    name: found.name,
    followers: found.followers,
    listed: row ? (row.is_rival ? 'rival' : 'own') : 'no',
  }
}

/** Keeps what a search has found, for the page and for reports. */
export async function keepSearch(db: ClientDb, found: ProfileSearch): Promise<void> {
  await db.run(
    sql`INSERT INTO profile_search (client_id, address, handle, found, searched_at)
      VALUES (${db.client}, ${found.address.slice(0, 300)}, ${found.handle}, ${JSON.stringify(found)}, ${new Date(now())})`,
  )
}

/** The newest search of a client, with the page that it would look through otherwise. */
export async function lastSearch(
  db: ClientDb,
): Promise<{ website: string; found: ProfileSearch | null; searchedAt: Date | null }> {
  const [client, row] = await Promise.all([
    db.one<{ website: string }>(sql`SELECT website FROM client WHERE client_id = ${db.client}`),
    db.one<{ found: string; searched_at: Date }>(
      sql`SELECT found, searched_at FROM profile_search WHERE client_id = ${db.client} ORDER BY search_id DESC LIMIT 1`,
    ),
  ])
  return {
    website: client!.website,
    found: row ? (JSON.parse(row.found) as ProfileSearch) : null,
    searchedAt: row?.searched_at ?? null,
  }
}
