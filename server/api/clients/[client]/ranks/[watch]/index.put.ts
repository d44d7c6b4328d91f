import { rhythmSchema } from '../../../../../../shared/read/ranks'
import { bodyOf, clientRoute, idParam } from '../../../../../platform/http/route'
import { changeRhythm } from '../../../../../read/ranks/rankWatches'

/** Changes how often something is looked for. */
export default clientRoute('write', async ({ event, db }) => {
  const { rhythm } = await bodyOf(event, rhythmSchema)
  await changeRhythm(db, idParam(event, 'watch', 'keyword'), rhythm)
  return { ok: true }
})
