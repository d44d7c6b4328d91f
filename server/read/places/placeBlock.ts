import { metricById } from '../../../core/metrics/catalogue'
import { hourName, WEEKDAYS } from '../../../core/times/slots'
import { LIST_SIGN, PLACE_FIELDS } from '../../../core/places/place'
import { PLACE_TABLES, type FilledPlace, type PlacePart } from '../../../shared/read/placeBlock'
import { PLACE_METRICS, type PlaceInsights } from '../../../shared/read/places'
import type { ReportBlock } from '../../figures/reportBlock'
import { count, number, share, text } from '../../platform/tables/columns'
import { instantIn } from '../../platform/tables/instantIn'
import type { Table } from '../../platform/tables/table'
import { placeInsights } from './insights'
import { placesOf } from './places'

export const placeBlock: ReportBlock<FilledPlace> = {
  fill: async ({ db, scope, block }) => {
    const shows = block.shows ?? 'figures'
    const places = await placesOf(db)
    const place = block.place === undefined ? places[0] : places.find(({ id }) => id === block.place)
    const common = { shows, timeZone: db.timeZone }
    if (!place) return common
    return { ...common, name: place.name, ...PARTS[shows](await placeInsights(db, scope, place.id)) }
  },
  tableOf: (filled, zone) => TABLES[filled.shows](filled, zone),
  missingIn: ({ name, shows, figures, calls, parts, pictures }) => {
    if (name === undefined) return ['the place is no longer there.']
    if (shows === 'record') return []
    const isThere =
      (figures && figures.periods.length > 0) || calls || (parts && parts.length > 0) || pictures !== undefined
    return [
      ...(isThere ? [] : [`${name}: nothing is known of it on these days.`]),
      ...(figures?.periods ?? []).flatMap(({ words, days }) =>
        days.known < days.of ? [`${name}, ${words}: ${days.of - days.known} of ${days.of} days are not known.`] : [],
      ),
    ]
  },
}

/** What a part takes of what is known of a place: an edition holds what it shows. */
const PARTS: Record<PlacePart, (insights: PlaceInsights) => Partial<FilledPlace>> = {
  figures: ({ periods, median, best }) => ({ figures: { periods, ...(median && { median }), ...(best && { best }) } }),
  calls: ({ calls }) => ({ ...(calls && { calls }) }),
  areas: ({ areas, withheld }) => ({
    parts: areas.map(({ name, requests }) => ({ name, count: requests })),
    ...(withheld && { withheld }),
  }),
  searches: ({ searches }) => ({ parts: searches }),
  surfaces: ({ surfaces }) => ({ parts: surfaces }),
  pictures: ({ pictures }) => ({ ...(pictures && { pictures }) }),
  record: ({ place }) => ({ record: place }),
}

const byParts =
  (name: string, { label, figure, base }: (typeof PLACE_TABLES)[keyof typeof PLACE_TABLES]) =>
  ({ parts = [] }: Omit<FilledPlace, 'kind'>): Table => {
    const all = parts.reduce((sum, part) => sum + part.count, 0)
    return {
      name,
      columns: [text(label), count(figure), share(base)],
      rows: parts.map((part) => [part.name, part.count, all > 0 ? part.count / all : undefined]),
    }
  }

const TABLES: Record<PlacePart, (filled: Omit<FilledPlace, 'kind'>, zone: string) => Table> = {
  figures: ({ figures }) => ({
    name: 'One place',
    columns: [
      text('Period'),
      ...PLACE_METRICS.map((metric) => count(metricById(metric).name)),
      number('Actions for 1,000 views'),
      number('At least'),
      number('At most'),
      count('Days known'),
      count('Of'),
    ],
    rows: (figures?.periods ?? []).map(({ words, values, perViews, days }) => [
      words,
      ...PLACE_METRICS.map((metric) => values[metric]),
      perViews?.value,
      perViews?.low,
      perViews?.high,
      days.known,
      days.of,
    ]),
  }),
  calls: ({ calls }) => ({
    name: 'Calls by hour',
    columns: [text('From'), ...WEEKDAYS.map((day) => number(day))],
    rows: calls
      ? Array.from({ length: 24 }, (_, hour) => [hourName(hour), ...calls.byHour.map((hours) => hours[hour])])
      : [],
  }),
  areas: byParts('Areas of directions', PLACE_TABLES.areas),
  searches: byParts('Searches', PLACE_TABLES.searches),
  surfaces: byParts('Where it was looked at', PLACE_TABLES.surfaces),
  pictures: ({ pictures }, zone) => ({
    name: 'Pictures of a listing',
    columns: [
      { title: `Added (${zone})`, kind: 'instant' },
      text('By'),
      text('Text'),
      { title: `Removed (${zone})`, kind: 'instant' },
      count('Views so far'),
    ],
    rows: (pictures?.pictures ?? []).map(({ addedAt, by, text: said, removedAt, views }) => [
      instantIn(addedAt, zone),
      by,
      said,
      removedAt && instantIn(removedAt, zone),
      views,
    ]),
  }),
  record: ({ record }) => ({
    name: 'Master record',
    columns: [text('Field'), text('Value')],
    rows: record ? PLACE_FIELDS.map(({ field, name }) => [name, cellOf(record[field])]) : [],
  }),
}

const cellOf = (value: string | number | string[] | null): string | number | undefined =>
  Array.isArray(value) ? value.join(LIST_SIGN) : (value ?? undefined)
