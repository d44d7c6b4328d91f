import { inSentence } from '../../core/format/inSentence'
import { metricById } from '../../core/metrics/catalogue'
import type { WhatIsOpen } from '../../shared/clients'
import type { FilledOpen } from '../../shared/openBlock'
import { causeOf } from '../../shared/read/unusual'
import type { ReportBlock } from '../figures/reportBlock'
import { day, text } from '../platform/tables/columns'
import type { Table } from '../platform/tables/table'
import { whatIsOpen } from './whatIsOpen'

export const openBlock: ReportBlock<FilledOpen> = {
  async fill({ db, scope }) {
    const open = await whatIsOpen(db, scope)
    // that a report has no edition is nothing to say in that edition, and rivals have a block of their own
    return { open: { ...open, due: open.due.filter(({ kind }) => kind !== 'report' && kind !== 'field') } }
  },
  tableOf: (filled) => tableOf(filled.open),
}

const tableOf = ({ targets: inDanger, due, unusual: days, troubles }: WhatIsOpen): Table => ({
  name: 'What needs somebody',
  columns: [text('What'), text('Of'), day('Day'), text('Remark')],
  rows: [
    ...inDanger.map(({ metric, whoWords, by, progress }) => [
      'Target',
      `${metricById(metric).name} of ${inSentence(whoWords)}`,
      by,
      progress.standing,
    ]),
    ...due.map(({ sentence }) => ['Due', '', null, sentence]),
    ...days
      .map(causeOf)
      .map(({ from, profiles, value, usual }) => [
        'Unusual days',
        profiles.map(({ name }) => name).join('; '),
        from,
        `${value} interactions, usually ${Math.round(usual)}`,
      ]),
    ...troubles.map(({ name, sentence }) => ['Profile', name, null, sentence]),
  ],
})
