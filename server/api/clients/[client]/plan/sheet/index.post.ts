import { getQuery } from 'h3'
import { MOST_SHEET_BYTES } from '../../../../../../shared/plan/plannedPosts'
import { readBytes } from '../../../../../platform/http/readLimited'
import { clientRoute } from '../../../../../platform/http/route'
import { takeSheet } from '../../../../../plan/posts/planSheet'

/** A file of posts: what it would do, and, once that was looked at, the same done. */
export default clientRoute('write', async ({ event, db, person }) => {
  const content = await readBytes(event, MOST_SHEET_BYTES)
  return await takeSheet(db, content, getQuery(event).take === 'yes', person)
})
