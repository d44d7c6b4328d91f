import { metricById } from '../../../core/metrics/catalogue'
import { PLACE_METRICS, placesQuerySchema } from '../../../shared/read/places'
import type { FilledPlaces } from '../../../shared/read/placesBlock'
import type { ReportBlock } from '../../figures/reportBlock'
import { count, number, text } from '../../platform/tables/columns'
import { placesIn } from './insights'
import { placesOfGroup } from './placeGroups'

export const placesBlock: ReportBlock<FilledPlaces> = {
  fill: async ({ db, scope, block }) => {
    const { group } = placesQuerySchema.cast(block, { stripUnknown: true })
    return { view: await placesIn(db, scope, group ? await placesOfGroup(db, group) : undefined) }
  },
  tableOf: ({ view: { places } }) => ({
    name: 'Places',
    columns: [
      text('Place'),
      text('Town'),
      ...PLACE_METRICS.map((metric) => count(metricById(metric).name)),
      number('Actions for 1,000 views'),
      number('At least'),
      number('At most'),
      number('Change of listing views'),
      count('Days known'),
      count('Of'),
    ],
    rows: places
      .filter(({ isActive }) => isActive)
      .map(({ name, town, values, perViews, changes, days }) => [
        name,
        town,
        ...PLACE_METRICS.map((metric) => values[metric]),
        perViews?.value,
        perViews?.low,
        perViews?.high,
        changes.listing_views?.relative,
        days.known,
        days.of,
      ]),
  }),
  missingIn: ({ view: { places, without } }) => [
    ...(places.length === 0 ? ['there is no place.'] : []),
    ...without.map(({ name, reason }) => `${name}: ${reason}`),
    ...places.flatMap(({ name, days }) =>
      days.known < days.of ? [`${name}: ${days.of - days.known} of ${days.of} days are not known.`] : [],
    ),
  ],
}
