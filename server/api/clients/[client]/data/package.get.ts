import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { setResponseHeader } from 'h3'
import { dataPackage } from '../../../../gather/data/dataPackage'
import { now } from '../../../../platform/clock'
import { asOfNow } from '../../../../platform/database/clientDb'
import { clientRoute } from '../../../../platform/http/route'
import { nameFile } from '../../../../platform/http/sendTables'

/** Everything that is kept of a client, as it is at one moment, in one file. */
export default clientRoute('work', async ({ event, db }) => {
  const at = now()
  nameFile(event, `${db.name}, all data, ${new Date(at).toISOString().slice(0, 10)}`, 'zip')
  setResponseHeader(event, 'Content-Type', 'application/zip')
  await asOfNow(db, (inside) => pipeline(Readable.from(dataPackage(inside, at)), event.node.res))
})
