import { getQuery } from 'h3'
import { personRoute } from '../platform/http/route'
import { sendTables } from '../platform/http/sendTables'
import { allClients } from '../clients/allClients'
import { tablesOfClients } from '../report/blocks/tablesOfClients'
import { badRequest } from '../platform/problems/problem'

/** What the first page shows, as a workbook, or one of its parts as CSV. */
export default personRoute(async ({ event, person }) => {
  const tables = tablesOfClients(await allClients(person))
  const { part } = getQuery(event)
  if (part === undefined)
    return await sendTables(
      event,
      'all clients',
      tables.map(({ table }) => table),
    )
  const chosen = tables.find(({ id }) => id === part)
  if (!chosen) throw badRequest('There is no such part. Ask for moved, unusual, profiles, targets or due.')
  return await sendTables(event, `all clients ${chosen.table.name}`, [chosen.table])
})
