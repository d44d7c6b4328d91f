import { getRouterParam } from 'h3'
import { route } from '../../../platform/http/route'
import { sendPdf } from '../../../report/editions/sendPdf'
import { slowGuesses } from '../../../platform/http/slowGuesses'
import { openShare } from '../../../report/editions/editions'

export default route(async (event) => {
  const { db, edition } = await slowGuesses(event, () => openShare(getRouterParam(event, 'token') ?? ''))
  return await sendPdf(event, db, edition)
})
