import { getQuery } from 'h3'
import { clientRoute } from '../../../../platform/http/route'
import { takeUpload } from '../../../../gather/imports/upload'

/** Takes the file as the body of the request, piece by piece. */
export default clientRoute('write', async ({ event, db, person }) => {
  const name = String(getQuery(event).name ?? 'file.csv').slice(0, 255)
  return { id: await takeUpload(db, person.id, name, event.node.req) }
})
