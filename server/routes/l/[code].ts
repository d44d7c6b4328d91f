import { setResponseHeader, setResponseStatus } from 'h3'
import { outsideRoute } from '../../read/links/sendOutside'

/** Sends whoever follows a tracked link to where it leads, once that is counted. */
export default outsideRoute('link', (event, { leadsTo }) => {
  setResponseHeader(event, 'Location', leadsTo!)
  // the site that it leads to may know where its visitors come from, as it would without us
  setResponseHeader(event, 'Referrer-Policy', 'strict-origin-when-cross-origin')
  setResponseStatus(event, 302)
  return ''
})
