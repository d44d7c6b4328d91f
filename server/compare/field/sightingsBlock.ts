import type { FilledSightings } from '../../../shared/compare/sightingsBlock'
import { sightingWords } from '../../../shared/compare/sightingWords'
import type { ReportBlock } from '../../figures/reportBlock'
import { forbidden, NOT_RELEASED } from '../../platform/problems/problem'
import { count, day, number, text } from '../../platform/tables/columns'
import { sightingsOf } from './sightings'

export const sightingsBlock: ReportBlock<FilledSightings> = {
  fill: async ({ db, scope, sight }) => {
    if (!sight.rivals) throw forbidden(NOT_RELEASED)
    return { view: await sightingsOf(db, true, scope.period) }
  },
  tableOf: ({ view }) => ({
    name: 'What rivals did',
    columns: [
      day('Day'),
      text('Rival'),
      text('Kind'),
      text('Network'),
      text('What it did'),
      day('From'),
      count('Amount'),
      number('Usual'),
      text('Settled by'),
    ],
    rows: view.sightings.map((sighting) => [
      sighting.day,
      sighting.rival,
      sighting.kind,
      sighting.networkName,
      sightingWords(sighting, 'en-GB'),
      sighting.from,
      sighting.amount,
      sighting.usual,
      sighting.settledBy,
    ]),
  }),
}
