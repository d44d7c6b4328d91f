import type { Pool } from 'mysql2/promise'
import { allClients } from '../server/clients/allClients'
import type { ClientDb } from '../server/platform/database/clientDb'
import { largeClient } from './database'
import { median, ms, report, times } from './measure'

const END = '2026-10-28'
const CLIENTS = 40

/**
 * The first page over 40 clients with 8 profiles each: from nothing, after something was written for one client, and as
 * it is opened again.
 */
export async function benchAllClients(pool: Pool): Promise<void> {
  const agency = ((await pool.query("INSERT INTO agency (name) VALUES ('many')"))[0] as { insertId: number }).insertId
  const clients: ClientDb[] = []
  for (let number = 0; number < CLIENTS; number++)
    clients.push(await largeClient(pool, `client-${number}`, 8, 120, END, agency))
  const person = { id: 1, agencyId: agency, name: 'A', email: 'a@b.example', role: 'owner' as const }
  const began = performance.now()
  await allClients(person)
  const cold = performance.now() - began
  const warm = await median(15, () => allClients(person))
  const written = await median(9, async () => {
    await clients[0]!.insertRows('note', ['from_day', 'to_day', 'title'], [[END, END, 'x']])
    await allClients(person)
  })
  report(
    `First page over ${CLIENTS} clients`,
    {
      'cold': ms(cold),
      'warm': ms(warm),
      'after one client has changed': ms(written),
      'warm ÷ cold': times(warm / cold),
    },
    { text: 'at most 150 ms warm', met: warm <= 150 },
  )
}
