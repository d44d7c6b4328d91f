import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { getQuery, setResponseHeader } from 'h3'
import { packageSchema } from '../../../../../shared/gather/data'
import { dataPackage, refuseTooManyPictures } from '../../../../gather/data/dataPackage'
import { now } from '../../../../platform/clock'
import { asOfNow } from '../../../../platform/database/clientDb'
import { log } from '../../../../platform/log'
import { clientRoute } from '../../../../platform/http/route'
import { nameFile } from '../../../../platform/http/sendTables'

/** For how long somebody may take all of it, in milliseconds: it holds a connection to the database meanwhile. */
const LONGEST_MS = 600_000

/** Everything that is kept of a client, as it is at one moment, in one file. */
export default clientRoute('work', async ({ event, db }) => {
  const at = now()
  const { format, pictures } = packageSchema.validateSync(getQuery(event))
  const hasPictures = pictures === 'with'
  if (hasPictures) await refuseTooManyPictures(db)
  nameFile(
    event,
    `${db.name}, all data${format === 'parquet' ? ' as Parquet' : ''}, ${new Date(at).toISOString().slice(0, 10)}`,
    'zip',
  )
  setResponseHeader(event, 'Content-Type', 'application/zip')
  await asOfNow(db, (inside) =>
    pipeline(Readable.from(dataPackage(inside, at, format, hasPictures)), event.node.res, {
      signal: AbortSignal.timeout(LONGEST_MS),
    }),
  ).catch((error: unknown) => log.warn({ err: error, client: db.slug }, 'a package was not brought to its end'))
})
