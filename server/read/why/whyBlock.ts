import { asSentence } from '../../../core/format/asSentence'
import { metricById } from '../../../core/metrics/catalogue'
import type { Unit } from '../../../core/metrics/metric'
import type { Why } from '../../../shared/read/why'
import type { FilledWhy } from '../../../shared/read/whyBlock'
import type { ReportBlock } from '../../figures/reportBlock'
import { number, text } from '../../platform/tables/columns'
import { KIND_OF_UNIT, type Cell, type Table } from '../../platform/tables/table'
import { why } from './why'

export const whyBlock: ReportBlock<FilledWhy> = {
  fill: async ({ db, scope, metric }) => ({ why: await why(db, scope, metric) }),
  tableOf: (filled) => tableOf(filled.why),
  missingIn: ({ why: { reason } }) => (reason ? [asSentence(reason)] : []),
}

const inUnit = (value: number, { unit }: { unit: Unit }): Cell => ({ value, kind: KIND_OF_UNIT[unit] })

function tableOf({ metric, explanations, reason }: Why): Table {
  const name = `Why ${metricById(metric).name.toLowerCase()} changed`
  if (explanations.length === 0) return { name, columns: [text('Remark')], rows: [[reason ?? '']] }
  return {
    name,
    columns: [text('Explanation'), text('Part'), number('Change'), number('By mix'), number('By rate')],
    rows: explanations.flatMap((each) =>
      each.kind === 'parts'
        ? each.parts.map((part): Cell[] => [each.title, part.key, inUnit(part.change, each), null, null])
        : each.parts.map((part): Cell[] => [
            each.title,
            part.key,
            inUnit(part.mix + part.rate, each),
            inUnit(part.mix, each),
            inUnit(part.rate, each),
          ]),
    ),
  }
}
