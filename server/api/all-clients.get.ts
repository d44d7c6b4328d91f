import { getQuery } from 'h3'
import { personRoute } from '../http/route'
import { sendTables } from '../http/sendTables'
import { allClients } from '../work/allClients'
import { tablesOfClients } from '../exports/tablesOfClients'
import { badRequest } from '../problems/problem'

/** What the first page shows, as a workbook, or one of its parts as CSV. */
export default personRoute(async ({ event, person }) => {
  const tables = tablesOfClients(await allClients(person))
  const { part } = getQuery(event)
  if (part === undefined) return await sendTables(event, 'all clients', tables.map(({ table }) => table))
  const chosen = tables.find(({ id }) => id === part)
  if (!chosen) throw badRequest('There is no such part. Ask for moved, unusual, profiles, targets or due.')
  return await sendTables(event, `all clients ${chosen.table.name}`, [chosen.table])
})
