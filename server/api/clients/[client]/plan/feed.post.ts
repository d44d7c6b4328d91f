import { clientRoute } from '../../../../platform/http/route'
import { renewFeed } from '../../../../plan/posts/planLinks'

/** Makes the address of the calendar that whoever asks can subscribe to anew. */
export default clientRoute('write', async ({ db, person }) => ({
  path: `/api/calendars/${await renewFeed(db, person.id)}.ics`,
}))
