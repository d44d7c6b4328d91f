import { asSentence } from '../../../core/format/asSentence'
import { metricById } from '../../../core/metrics/catalogue'
import type { Subject } from '../../../shared/read/subject'
import type { FilledSubject } from '../../../shared/read/subjectBlock'
import type { ReportBlock } from '../../figures/reportBlock'
import { share, text } from '../../platform/tables/columns'
import type { Table } from '../../platform/tables/table'
import { subject } from './subject'

export const subjectBlock: ReportBlock<FilledSubject> = {
  fill: async ({ db, scope, metric, sight }) => ({ subject: await subject(db, scope, metric, sight.rivals) }),
  tableOf: (filled) => tableOf(filled.subject),
  missingIn: ({ subject: { reason } }) => (reason ? [asSentence(reason)] : []),
}

function tableOf({ metric, own, networks, field, reason }: Subject): Table {
  return {
    name: `${metricById(metric).name} and everybody else`,
    columns: [text('What'), share('Change'), share('Part of one’s own'), text('Remark')],
    rows: [
      ['One’s own', own?.relative, null, own?.reason ?? own?.basis ?? ''],
      ...(networks
        ? [
            [
              'As the networks moved',
              networks.relative,
              null,
              networks.untold.length > 0 ? `Not told by ${networks.untold.join(', ')}` : '',
            ],
            ...networks.parts.map((part) => [part.name, part.relative, part.share, '']),
          ]
        : []),
      ...(field
        ? [['The field', field.change.relative, null, `${field.own} own and ${field.rivals} rival profiles`]]
        : []),
      ...(reason ? [['', null, null, reason]] : []),
    ],
  }
}
