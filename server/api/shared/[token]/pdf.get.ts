import { getRouterParam } from 'h3'
import { route } from '../../../http/route'
import { sendPdf } from '../../../http/sendPdf'
import { slowGuesses } from '../../../http/slowGuesses'
import { openShare } from '../../../reports/editions'

export default route(async (event) => {
  const { db, edition } = await slowGuesses(event, () => openShare(getRouterParam(event, 'token') ?? ''))
  return await sendPdf(event, db, edition)
})
