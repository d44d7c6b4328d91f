import { getRequestURL } from 'h3'
import { previewAddressSchema } from '../../../../../shared/plan/plannedPosts'
import { bodyOf, clientRoute } from '../../../../platform/http/route'
import { linkPreview } from '../../../../plan/posts/linkPreview'

export default clientRoute('write', async ({ event, db }) =>
  linkPreview(db, (await bodyOf(event, previewAddressSchema)).address, getRequestURL(event).host),
)
