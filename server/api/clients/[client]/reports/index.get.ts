import { clientRoute } from '../../../../http/route'
import { reportsOf } from '../../../../reports/reports'

export default clientRoute('reports', ({ db }) => reportsOf(db))
