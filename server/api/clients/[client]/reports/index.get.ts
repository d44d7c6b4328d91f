import { clientRoute } from '../../../../platform/http/route'
import { reportsOf } from '../../../../report/reports/reports'

export default clientRoute('reports', ({ db }) => reportsOf(db))
