import { getQuery, setResponseHeader } from 'h3'
import { datasetById } from '../../../../../core/datasets/datasets'
import { templateOf } from '../../../../../core/imports/templateOf'
import { templateSchema } from '../../../../../shared/gather/imports'
import { clientRoute } from '../../../../platform/http/route'
import { nameFile } from '../../../../platform/http/sendTables'
import { text } from '../../../../platform/tables/columns'
import { toCsv } from '../../../../platform/tables/toCsv'

/** A file with the headings of a dataset and an example that cannot be imported by mistake. */
export default clientRoute('work', ({ event }) => {
  const dataset = datasetById(templateSchema.validateSync(getQuery(event)).dataset)
  nameFile(event, `Template, ${dataset.name.toLowerCase()}`, 'csv')
  setResponseHeader(event, 'Content-Type', 'text/csv; charset=utf-8')
  const [headings, example] = templateOf(dataset)
  return toCsv({ name: dataset.name, columns: headings!.map(text), rows: [example!] })
})
