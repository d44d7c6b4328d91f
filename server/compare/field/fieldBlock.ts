import { metricById } from '../../../core/metrics/catalogue'
import { describeDay } from '../../../core/periods/describePeriod'
import { goneWords } from '../../../shared/compare/goneWords'
import { FIELD_MEASURES, fieldSchema, type Field } from '../../../shared/compare/field'
import type { FilledField } from '../../../shared/compare/fieldBlock'
import type { ReportBlock } from '../../figures/reportBlock'
import { forbidden, NOT_RELEASED } from '../../platform/problems/problem'
import { count, number, share, text } from '../../platform/tables/columns'
import type { Table } from '../../platform/tables/table'
import { fieldOf } from './field'

export const fieldBlock: ReportBlock<FilledField> = {
  fill: async ({ db, scope, block, sight }) => {
    if (!sight.rivals) throw forbidden(NOT_RELEASED)
    return { field: await fieldOf(db, scope, fieldSchema.cast(block, { stripUnknown: true })) }
  },
  tableOf: ({ field }) => tableOf(field),
  missingIn: ({ field }) => missingIn(field),
}

/** Every member in every measure, a row each. */
function tableOf({ members, tables }: Field): Table {
  return {
    name: 'The field',
    columns: [
      text('Side'),
      text('Measure'),
      text('Member'),
      number('Over the period'),
      number('From'),
      number('To'),
      number('Difference'),
      share('Rate'),
      count('Rank'),
      count('Rank before'),
      number('Index to the median'),
      count('Days known'),
      count('Days'),
    ],
    rows: tables.flatMap(({ metric, rows }) =>
      rows.map((row) => [
        FIELD_MEASURES.find((measure) => measure.metric === metric)!.side,
        metricById(metric).name,
        members.find(({ id }) => id === row.member)!.name,
        row.value,
        row.from,
        row.to,
        row.difference,
        row.rate,
        row.standing?.rank,
        row.rankBefore,
        row.standing?.index,
        row.days?.known,
        row.days?.of,
      ]),
    ),
  }
}

function missingIn({ members, tables, lastDay }: Field): string[] {
  if (members.every(({ isOwn }) => isOwn)) return ['no rival of this client has figures.']
  return members.flatMap(({ id, name, gone = [] }) => {
    // of what a network does not tell at all nothing is missing
    const gaps = tables.flatMap(
      ({ rows }) => rows.find(({ member, value }) => member === id && value !== undefined)?.days ?? [],
    )
    const worst = gaps.sort((a, b) => b.of - b.known - (a.of - a.known))[0]
    const ended = gone.map((profile) => `${name}: ${goneWords(profile)}`)
    return worst
      ? [
          ...ended,
          `${name}: ${worst.of - worst.known} of ${worst.of} days up to ${describeDay(lastDay)} are not known.`,
        ]
      : ended
  })
}
