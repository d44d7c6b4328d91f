import { getRouterParam } from 'h3'
import { route } from '../../../http/route'
import { sendPdf } from '../../../http/sendPdf'
import { openShare } from '../../../reports/editions'

export default route(async (event) => {
  const { db, edition } = await openShare(getRouterParam(event, 'token') ?? '')
  return await sendPdf(event, db, edition)
})
