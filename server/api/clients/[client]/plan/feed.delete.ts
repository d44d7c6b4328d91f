import { clientRoute } from '../../../../platform/http/route'
import { endFeed } from '../../../../plan/posts/planLinks'

export default clientRoute('write', async ({ db, person }) => {
  await endFeed(db, person.id)
  return { ok: true }
})
