import { inSentence } from '../../../core/format/inSentence'
import { DateTime } from 'luxon'
import { knownText } from '../../../core/format/formatChange'
import type { Figure } from '../../../core/figures/figure'
import { roundedAsShown } from '../../../core/format/roundedAsShown'
import { formatFigure } from '../../../core/format/formatFigure'
import { metricById } from '../../../core/metrics/catalogue'
import type { Unit } from '../../../core/metrics/metric'
import { lengthOf } from '../../../core/periods/period'
import type { ComparedFigure } from '../../../core/rollup/compareFigures'
import type { DayPoint } from '../../../core/series/dailyPoints'
import { splitById } from '../../../core/splits/splits'
import type { FilledBlock } from '../../../shared/report/content'
import type { ListedPost } from '../../../shared/read/content'
import type { ProfileSearch } from '../../../shared/gather/find'
import type { Grouping, MetricLine, RowFigures } from '../../../shared/read/overview'
import type { SplitView } from '../../../shared/read/parts'
import type { Subject } from '../../../shared/read/subject'
import type { TargetView } from '../../../shared/read/targets'
import type { UnusualFinding } from '../../../shared/read/unusual'
import type { WhatIsOpen } from '../../../shared/clients'
import type { Why } from '../../../shared/read/why'
import { causeOf } from '../../../shared/read/unusual'
import { KIND_OF_UNIT, type Cell, type CellKind, type Column, type Table } from '../../platform/tables/table'

const LOCALE = 'en-GB'
const kindOf = (metric: string): CellKind => KIND_OF_UNIT[metricById(metric).unit]
const text = (title: string): Column => ({ title, kind: 'text' })
const count = (title: string): Column => ({ title, kind: 'count' })
const share = (title: string): Column => ({ title, kind: 'share' })
const number = (title: string): Column => ({ title, kind: 'number' })
const day = (title: string): Column => ({ title, kind: 'day' })

/**
 * What a block shows, as one table; a text has none.
 *
 * @param zone  the client's time zone, in which instants are given
 */
export function tableOf(block: FilledBlock, zone: string): Table | undefined {
  const table = bare(block, zone)
  return table && { ...table, name: `${block.title || table.name}${block.who ? `, ${block.who}` : ''}` }
}

function bare(block: FilledBlock, zone: string): Table | undefined {
  switch (block.kind) {
    case 'figures':
      return figures(block.figures)
    case 'chart':
      return line(block.line, block.second)
    case 'table':
      return rows(block.rows, block.metrics, block.by ?? 'profile')
    case 'parts':
      return parts(block.split)
    case 'why':
      return why(block.why)
    case 'unusual':
      return unusual(block.metric, block.days)
    case 'subject':
      return subject(block.subject)
    case 'targets':
      return targets(block.targets)
    case 'posts':
      return posts(block.posts, zone)
    case 'open':
      return open(block.open)
    case 'profiles':
      return {
        name: 'Profiles',
        columns: [
          text('Profile'),
          text('Network'),
          text('Id'),
          text('State'),
          day('Figures since'),
          count('Days of the strip'),
          count('Days missing'),
        ],
        rows: block.rows.map((row) => [
          row.name,
          row.networkName,
          row.remoteId,
          row.state,
          row.oldest,
          lengthOf(row.strip),
          row.missing.reduce((sum, gap) => sum + lengthOf(gap), 0),
        ]),
      }
    case 'found':
      return found(block.found)
    case 'text':
    case 'page':
      return undefined
  }
}

/** Whatever is not exact is rounded as on the page: a file claims no more. */
const asShown =
  ({ exactness, metric }: Figure) =>
  (value: number | undefined): number | undefined =>
    value === undefined || exactness === 'exact' ? value : roundedAsShown(value, metricById(metric).unit)

/**
 * What a change rests on and comes to, as it follows a figure: what is compared now and then, over the days that both
 * have, the difference, and the percentage.
 */
const changeColumns = (name: string, kind: CellKind): Column[] => [
  { title: `${name}, now`, kind },
  { title: `${name}, then`, kind },
  { title: `${name}, difference`, kind },
  share(`${name}, percent`),
  text(`${name}, judged`),
]
const changeCells = ({ figure, change }: ComparedFigure): Cell[] => {
  const shown = asShown(figure)
  return [shown(change?.to), shown(change?.from), shown(change?.difference), change?.relative, judgedText(change)]
}

/** How a change is judged, in a word or two. */
const judgedText = (change: ComparedFigure['change']): string =>
  change === undefined
    ? ''
    : (change.reason ??
      (change.isUnclear
        ? 'no clear change'
        : change.usual?.isWithin
          ? 'as usual'
          : change.judgement === 'neutral'
            ? ''
            : change.judgement))

/** A figure with its bounds, what it rests on and how it has changed, as columns of its own. */
export const figureColumns = (metric: string): Column[] => {
  const { name } = metricById(metric)
  const kind = kindOf(metric)
  return [
    { title: name, kind },
    ...changeColumns(name, kind),
    { title: `${name}, at least`, kind },
    { title: `${name}, at most`, kind },
    text(`${name}, known`),
    count(`${name}, profile-days with data`),
    count(`${name}, profile-days expected`),
    count(`${name}, profile-days used now`),
    count(`${name}, profile-days used then`),
  ]
}
export const figureCells = (compared: ComparedFigure): Cell[] => {
  const { figure, change } = compared
  const shown = asShown(figure)
  return [
    shown(figure.value),
    ...changeCells(compared),
    shown(figure.low),
    shown(figure.high),
    knownText(figure, LOCALE),
    figure.coverage.present,
    figure.coverage.expected,
    change?.days?.now,
    change?.days?.then,
  ]
}

/**
 * A figure in full: its value or bounds, what it rests on, and how it has changed. Units differ from row to row, and
 * each cell has its own.
 */
function figures(list: readonly ComparedFigure[]): Table {
  return {
    name: 'Figures',
    columns: [
      text('Metric'),
      text('Unit'),
      number('Value'),
      number('Now'),
      number('Then'),
      number('Difference'),
      share('Percent'),
      text('Judged'),
      number('At least'),
      number('At most'),
      text('As written'),
      text('Known'),
      count('Profile-days with data'),
      count('Profile-days expected'),
      count('Profile-days used now'),
      count('Profile-days used then'),
      number('A day now'),
      number('A day then'),
      share('Usually from'),
      share('Usually to'),
      text('Remark'),
    ],
    rows: list.map((compared) => {
      const { figure, change } = compared
      const kind = kindOf(figure.metric)
      const shown = asShown(figure)
      const own = (value: number | undefined): Cell => ({ value: shown(value), kind })
      const usual = change?.usual?.scale === 'relative' ? change.usual : undefined
      return [
        metricById(figure.metric).name,
        metricById(figure.metric).unit,
        own(figure.value),
        own(change?.to),
        own(change?.from),
        own(change?.difference),
        change?.relative,
        judgedText(change),
        own(figure.low),
        own(figure.high),
        formatFigure(figure, LOCALE).full,
        knownText(figure, LOCALE),
        figure.coverage.present,
        figure.coverage.expected,
        change?.days?.now,
        change?.days?.then,
        change?.perDay?.to,
        change?.perDay?.from,
        usual?.low,
        usual?.high,
        [figure.reason ?? figure.remark, change?.basis, change?.small ? 'small base' : undefined]
          .filter((part) => part !== undefined)
          .join('; '),
      ]
    }),
  }
}

function line(first: MetricLine, second: MetricLine | undefined): Table {
  const lines = [
    { line: first, name: metricById(first.metric).name },
    ...(second ? [{ line: second, name: metricById(second.metric).name }] : []),
  ]
  const value = ({ metric }: MetricLine, title: string): Column => ({ title, kind: kindOf(metric) })
  const isBounded = (points: readonly DayPoint[]) => points.some(({ low }) => low !== undefined)
  return {
    name: `${lines.map(({ name }) => name).join(' and ')} a day`,
    columns: [
      day('Day'),
      ...lines.flatMap(({ line, name }) => [
        value(line, name),
        ...(isBounded(line.current) ? [value(line, `${name}, at least`), value(line, `${name}, at most`)] : []),
        count(`Profiles with ${name.toLowerCase()}`),
        count(`Profiles expected with ${name.toLowerCase()}`),
      ]),
      ...(first.earlier ? [day('Comparison day'), value(first, `${metricById(first.metric).name} then`)] : []),
    ],
    rows: first.current.map((point, index) => [
      point.day,
      ...lines.flatMap(({ line }) => {
        const at = shownPoint(line.metric, line.current[index])
        return [at?.value, ...(isBounded(line.current) ? [at?.low, at?.high] : []), at?.present, line.expected]
      }),
      ...(first.earlier ? [first.earlier[index]?.day, shownPoint(first.metric, first.earlier[index])?.value] : []),
    ]),
  }
}

/** A day of a line, rounded as on the page where it is not exact. */
function shownPoint(metric: string, point: DayPoint | undefined): DayPoint | undefined {
  if (point?.low === undefined) return point
  const round = (value: number | undefined) =>
    value === undefined ? undefined : roundedAsShown(value, metricById(metric).unit)
  return { ...point, value: round(point.value), low: round(point.low), high: round(point.high) }
}

/**
 * By profile with its network and id, by network, or by set: the first column says which, and how many profiles a row
 * stands for.
 */
function rows(list: readonly RowFigures[], metrics: readonly string[], by: Grouping): Table {
  const columns = metrics.flatMap(figureColumns)
  const cells = (row: RowFigures) => metrics.flatMap((metric) => figureCells(row.figures[metric]!))
  const profilesOf = ({ who }: RowFigures) => who.split(',').length
  if (by === 'profile')
    return {
      name: 'By profile',
      columns: [text('Profile'), text('Network'), text('Id'), ...columns],
      rows: list.map((row) => [row.name, row.networkName, row.id ?? '', ...cells(row)]),
    }
  return {
    name: `By ${by}`,
    columns: [text(by === 'network' ? 'Network' : 'Set'), count('Profiles'), ...columns],
    rows: list.map((row) => [row.name, profilesOf(row), ...cells(row)]),
  }
}

function parts({ split, kind, rows: list, times, present, expected }: SplitView): Table {
  const { name, base } = splitById(split)
  const coverage = [count('Profile-days with data'), count('Profile-days expected')]
  const known: Cell[] = [present, expected]
  if (kind === 'times') {
    return {
      name,
      columns: [
        text('Profile'),
        count('Days'),
        text('Seen'),
        count('People'),
        share(`Share ${base}`),
        number('Frequency'),
      ],
      rows: times.flatMap((profile) =>
        profile.counts.map((each) => [
          profile.name,
          profile.windowDays,
          each.name,
          each.people,
          each.share,
          profile.frequency,
        ]),
      ),
    }
  }
  if (kind === 'hours') {
    return {
      name,
      columns: [
        text('From'),
        number('People on a typical day'),
        share(`Share ${base}`),
        share('Of the fullest hour'),
        ...coverage,
      ],
      rows: list.map((row) => [row.name, row.value, row.share, row.ofFullest, ...known]),
    }
  }
  return kind === 'overlapping'
    ? {
        name,
        columns: [text('Part'), count('At least'), count('At most'), text('Known'), ...coverage],
        rows: list.map((row) => [row.name, row.low, row.high, 'bounded', ...known]),
      }
    : {
        name,
        columns: [
          text('Part'),
          count('Value'),
          share(`Share ${base}`),
          count('Was, on days with both'),
          count('Is, on days with both'),
          ...coverage,
        ],
        rows: list.map((row) => [row.name, row.value, row.share, row.from, row.to, ...known]),
      }
}

const inUnit = (value: number, { unit }: { unit: Unit }): Cell => ({ value, kind: KIND_OF_UNIT[unit] })

function why({ metric, explanations, reason }: Why): Table {
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

const unusual = (metric: string, list: readonly UnusualFinding[]): Table => ({
  name: 'Unusual days',
  columns: [
    day('From'),
    day('To'),
    text('Direction'),
    text('Profiles'),
    { title: metricById(metric).name, kind: kindOf(metric) },
    { title: 'Usually', kind: kindOf(metric) },
    number('Strength'),
    count('Posts'),
    text('Explained by'),
  ],
  rows: list
    .map(causeOf)
    .map((each) => [
      each.from,
      each.to,
      each.direction,
      each.profiles.map(({ name }) => name).join('; '),
      each.value,
      each.usual,
      each.score,
      each.posts.length,
      each.explainedBy?.title ?? '',
    ]),
})

function subject({ metric, own, networks, field, reason }: Subject): Table {
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

const targets = (list: readonly TargetView[]): Table => ({
  name: 'Targets',
  columns: [
    text('Metric'),
    text('Of'),
    number('Wanted'),
    day('From'),
    day('By'),
    number('So far'),
    number('So far, at least'),
    number('So far, at most'),
    text('Known'),
    share('Way done'),
    share('Time over'),
    number('Pace a day'),
    number('Pace needed'),
    number('Heading for'),
    number('At least'),
    number('At most'),
    text('Standing'),
  ],
  rows: list.map(({ metric, whoWords, wanted, from, by, figure, progress, heading }) => {
    const own = (value: number | undefined): Cell => ({ value, kind: kindOf(metric) })
    const shown = asShown(figure)
    const estimate = (value: number | undefined) =>
      own(value === undefined ? undefined : roundedAsShown(value, metricById(metric).unit))
    return [
      metricById(metric).name,
      whoWords,
      own(wanted),
      from,
      by,
      own(shown(figure.value)),
      own(shown(figure.low)),
      own(shown(figure.high)),
      knownText(figure, LOCALE),
      progress.done,
      progress.elapsed,
      own(progress.pace),
      own(progress.paceNeeded),
      estimate(heading?.value),
      estimate(heading?.low),
      estimate(heading?.high),
      progress.standing,
    ]
  }),
})

const open = ({ targets: inDanger, due, unusual: days, troubles }: WhatIsOpen): Table => ({
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

const posts = (list: readonly ListedPost[], zone: string): Table => ({
  name: 'Posts',
  columns: [
    text('Id'),
    { title: `Published (${zone})`, kind: 'instant' },
    text('Profile'),
    text('Network'),
    text('Format'),
    text('Text'),
    count('Impressions'),
    count('Interactions'),
    share('Interactions by impression'),
    share('At least'),
    share('At most'),
  ],
  rows: list.map((post) => [
    post.id,
    instant(post.publishedAt, zone),
    post.name,
    post.networkName,
    post.format,
    post.text,
    post.impressions,
    post.interactions,
    post.rate?.value,
    post.rate?.low,
    post.rate?.high,
  ]),
})

/** An instant as ISO 8601 with the offset that the zone has then. */
const instant = (at: Date | string, zone: string): string =>
  DateTime.fromJSDate(new Date(at), { zone }).toISO({ suppressMilliseconds: true })!

function found(search: ProfileSearch | null): Table {
  return {
    name: 'Profiles found',
    columns: [text('Result'), text('Network'), text('Handle'), text('Name'), count('Followers')],
    rows: search
      ? [
          ...search.linked.map((each) => [
            'Linked from the page',
            each.networkName,
            each.handle,
            each.name,
            each.followers,
          ]),
          ...search.broken.map((each) => ['Linked, but not there', each.networkName, each.handle, '', null]),
          ...search.unlinked.map((each) => [
            'There, but not linked',
            each.networkName,
            each.handle,
            each.name,
            each.followers,
          ]),
          ...search.free.map((network) => ['Free', network, search.handle, '', null]),
          ...search.taken.map((each) => [
            each.isOwn ? 'Taken, by the client' : 'Taken',
            each.networkName,
            search.handle,
            each.name,
            null,
          ]),
        ]
      : [],
  }
}
