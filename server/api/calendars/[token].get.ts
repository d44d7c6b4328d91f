import { getRouterParam, setResponseHeader } from 'h3'
import { route } from '../../platform/http/route'
import { slowGuesses } from '../../platform/http/slowGuesses'
import { subscribedCalendar } from '../../plan/calendar/subscribedCalendar'

/** A client’s calendar, for whoever has subscribed to it. */
export default route(async (event) => {
  const file = await slowGuesses(event, () =>
    subscribedCalendar((getRouterParam(event, 'token') ?? '').replace(/\.ics$/, '')),
  )
  setResponseHeader(event, 'Content-Type', 'text/calendar; charset=utf-8')
  return file
})
