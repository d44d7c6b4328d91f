import { sendRemembered } from '../../../../http/remembering'
import { clientRoute } from '../../../../http/route'
import { targetsOf } from '../../../../work/targets'

export default clientRoute('figures', async ({ event, db }) => await sendRemembered(event, db, () => targetsOf(db)))
