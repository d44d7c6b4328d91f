import { lastCompleteDay } from '../../../../../core/days/lastCompleteDay'
import { now } from '../../../../clock'
import { clientRoute, sendJson } from '../../../../http/route'
import { remembered } from '../../../../work/remembered'
import { targetsOf } from '../../../../work/targets'

export default clientRoute('read', async ({ event, db }) => sendJson(event, await remembered(db, `targets ${lastCompleteDay(now(), db.timeZone)}`, () => targetsOf(db))))
