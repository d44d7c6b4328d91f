import { getQuery, setResponseStatus } from 'h3'
import { MOST_FILE_BYTES } from '../../../../../../shared/plan/plannedPosts'
import { readBytes } from '../../../../../platform/http/readLimited'
import { clientRoute } from '../../../../../platform/http/route'
import { takeFile } from '../../../../../plan/posts/planFiles'

/** Takes a picture or a video as the body of the request. */
export default clientRoute('write', async ({ event, db }) => {
  const name = String(getQuery(event).name ?? 'picture').slice(0, 200)
  const { isAnimated, ...file } = await takeFile(db, name, await readBytes(event, MOST_FILE_BYTES))
  setResponseStatus(event, 201)
  return { ...file, isAnimated: isAnimated === 1 }
})
