import { DateTime } from 'luxon'
import { knownText } from '../../core/format/formatChange'
import { formatFigure } from '../../core/format/formatFigure'
import { metricById } from '../../core/metrics/catalogue'
import type { Unit } from '../../core/metrics/metric'
import { lengthOf } from '../../core/periods/period'
import type { ComparedFigure } from '../../core/rollup/compareFigures'
import type { DayPoint } from '../../core/series/dailyPoints'
import { splitById } from '../../core/splits/splits'
import type { FilledBlock } from '../reports/content'
import type { ListedPost } from '../work/content'
import type { ProfileSearch } from '../work/findProfiles'
import type { MetricLine, RowFigures } from '../work/overview'
import type { SplitView } from '../work/parts'
import type { Subject } from '../work/subject'
import type { TargetView } from '../work/targets'
import type { UnusualFinding } from '../work/unusual'
import type { WhatIsOpen } from '../work/whatIsOpen'
import type { Why } from '../work/why'
import { causeOf } from '../../shared/unusual'
import { KIND_OF_UNIT, type Cell, type CellKind, type Column, type Table } from './table'

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
      return rows(block.rows, block.metrics)
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
        name: 'Profiles', columns: [text('Profile'), text('Network'), text('Id'), text('State'), day('Figures since'), count('Days of the strip'), count('Days missing')],
        rows: block.rows.map((row) => [row.name, row.networkName, row.remoteId, row.state, row.oldest, lengthOf(row.strip), row.missing.reduce((sum, gap) => sum + lengthOf(gap), 0)]),
      }
    case 'found':
      return found(block.found)
    case 'text':
      return undefined
  }
}

/** What a change rests on and comes to, as it follows a figure: compared now and then, difference, part, days. */
const changeColumns = (name: string, kind: CellKind): Column[] => [
  { title: `${name}, compared now`, kind }, { title: `${name}, compared then`, kind }, { title: `${name}, difference`, kind }, share(`${name}, change`),
  count(`${name}, profile-days used now`), count(`${name}, profile-days used then`), text(`${name}, judged`),
]
const changeCells = ({ change }: ComparedFigure): Cell[] => [change?.to, change?.from, change?.difference, change?.relative, change?.days?.now, change?.days?.then, judgedText(change)]

/** How a change is judged, in a word or two. */
const judgedText = (change: ComparedFigure['change']): string =>
  change === undefined ? '' : change.reason ?? (change.isUnclear ? 'no clear change' : change.usual?.isWithin ? 'as usual' : change.judgement === 'neutral' ? '' : change.judgement)

/** A figure with its bounds, what it rests on and how it has changed, as columns of its own. */
export const figureColumns = (metric: string): Column[] => {
  const { name } = metricById(metric)
  const kind = kindOf(metric)
  return [
    { title: name, kind }, { title: `${name}, at least`, kind }, { title: `${name}, at most`, kind }, text(`${name}, known`), count(`${name}, profile-days with data`), count(`${name}, profile-days expected`),
    ...changeColumns(name, kind),
  ]
}
export const figureCells = (compared: ComparedFigure): Cell[] => {
  const { figure } = compared
  return [figure.value, figure.low, figure.high, knownText(figure, LOCALE), figure.coverage.present, figure.coverage.expected, ...changeCells(compared)]
}

/** A figure in full: its value or bounds, what it rests on, and how it has changed. Units differ from row to row, and each cell has its own. */
function figures(list: readonly ComparedFigure[]): Table {
  return {
    name: 'Figures',
    columns: [
      text('Metric'), text('Unit'), number('Value'), number('At least'), number('At most'), text('As written'), text('Known'), count('Profile-days with data'), count('Profile-days expected'),
      number('Compared now'), number('Compared then'), number('Difference'), share('Change'), count('Profile-days used now'), count('Profile-days used then'), number('A day now'), number('A day then'),
      text('Judged'), share('Usually from'), share('Usually to'), text('Remark'),
    ],
    rows: list.map((compared) => {
      const { figure, change } = compared
      const kind = kindOf(figure.metric)
      const own = (value: number | undefined): Cell => ({ value, kind })
      const usual = change?.usual?.scale === 'relative' ? change.usual : undefined
      return [
        metricById(figure.metric).name, metricById(figure.metric).unit, own(figure.value), own(figure.low), own(figure.high), formatFigure(figure, LOCALE).full, knownText(figure, LOCALE), figure.coverage.present, figure.coverage.expected,
        own(change?.to), own(change?.from), own(change?.difference), change?.relative, change?.days?.now, change?.days?.then, change?.perDay?.to, change?.perDay?.from,
        judgedText(change), usual?.low, usual?.high, [figure.reason ?? figure.remark, change?.basis, change?.small ? 'small base' : undefined].filter((part) => part !== undefined).join('; '),
      ]
    }),
  }
}

function line(first: MetricLine, second: MetricLine | undefined): Table {
  const lines = [{ line: first, name: metricById(first.metric).name }, ...(second ? [{ line: second, name: metricById(second.metric).name }] : [])]
  const value = ({ metric }: MetricLine, title: string): Column => ({ title, kind: kindOf(metric) })
  const isBounded = (points: readonly DayPoint[]) => points.some(({ low }) => low !== undefined)
  return {
    name: `${lines.map(({ name }) => name).join(' and ')} a day`,
    columns: [
      day('Day'), ...lines.flatMap(({ line, name }) => [value(line, name), ...(isBounded(line.current) ? [value(line, `${name}, at least`), value(line, `${name}, at most`)] : []), count(`Profiles with ${name.toLowerCase()}`), count(`Profiles expected with ${name.toLowerCase()}`)]),
      ...(first.earlier ? [day('Comparison day'), value(first, `${metricById(first.metric).name} then`)] : []),
    ],
    rows: first.current.map((point, index) => [
      point.day, ...lines.flatMap(({ line }) => {
        const at = line.current[index]
        return [at?.value, ...(isBounded(line.current) ? [at?.low, at?.high] : []), at?.present, line.expected]
      }),
      ...(first.earlier ? [first.earlier[index]?.day, first.earlier[index]?.value] : []),
    ]),
  }
}

const rows = (list: readonly RowFigures[], metrics: readonly string[]): Table => ({
  name: 'Table',
  columns: [text('Name'), text('Network'), text('Id'), ...metrics.flatMap(figureColumns)],
  rows: list.map((row) => [row.name, row.networkName, row.id ?? '', ...metrics.flatMap((metric) => figureCells(row.figures[metric]!))]),
})

function parts({ split, kind, rows: list, times, present, expected }: SplitView): Table {
  const { name, base } = splitById(split)
  const coverage = [count('Profile-days with data'), count('Profile-days expected')]
  const known: Cell[] = [present, expected]
  if (kind === 'times') {
    return {
      name, columns: [text('Profile'), count('Days'), text('Seen'), count('People'), share(`Share ${base}`), number('Frequency')],
      rows: times.flatMap((profile) => profile.counts.map((each) => [profile.name, profile.windowDays, each.name, each.people, each.share, profile.frequency])),
    }
  }
  if (kind === 'hours') {
    return { name, columns: [text('From'), number('People on a typical day'), share(`Share ${base}`), share('Of the fullest hour'), ...coverage], rows: list.map((row) => [row.name, row.value, row.share, row.ofFullest, ...known]) }
  }
  return kind === 'overlapping'
    ? { name, columns: [text('Part'), count('At least'), count('At most'), text('Known'), ...coverage], rows: list.map((row) => [row.name, row.low, row.high, 'bounded', ...known]) }
    : { name, columns: [text('Part'), count('Value'), share(`Share ${base}`), count('Was, on days with both'), count('Is, on days with both'), ...coverage], rows: list.map((row) => [row.name, row.value, row.share, row.from, row.to, ...known]) }
}

const inUnit = (value: number, { unit }: { unit: Unit }): Cell => ({ value, kind: KIND_OF_UNIT[unit] })

function why({ metric, explanations, reason }: Why): Table {
  const name = `Why ${metricById(metric).name.toLowerCase()} changed`
  if (explanations.length === 0) return { name, columns: [text('Remark')], rows: [[reason ?? '']] }
  return {
    name, columns: [text('Explanation'), text('Part'), number('Change'), number('By mix'), number('By rate')],
    rows: explanations.flatMap((each) => (each.kind === 'parts'
      ? each.parts.map((part): Cell[] => [each.title, part.key, inUnit(part.change, each), null, null])
      : each.parts.map((part): Cell[] => [each.title, part.key, inUnit(part.mix + part.rate, each), inUnit(part.mix, each), inUnit(part.rate, each)]))),
  }
}

const unusual = (metric: string, list: readonly UnusualFinding[]): Table => ({
  name: 'Unusual days',
  columns: [day('From'), day('To'), text('Direction'), text('Profiles'), { title: metricById(metric).name, kind: kindOf(metric) }, { title: 'Usually', kind: kindOf(metric) }, number('Strength'), count('Posts'), text('Explained by')],
  rows: list.map(causeOf).map((each) => [each.from, each.to, each.direction, each.profiles.map(({ name }) => name).join('; '), each.value, each.usual, each.score, each.posts.length, each.explainedBy?.title ?? '']),
})

function subject({ metric, own, networks, field, reason }: Subject): Table {
  return {
    name: `${metricById(metric).name} and the subject`, columns: [text('What'), share('Change'), share('Part of one’s own'), text('Remark')],
    rows: [
      ['One’s own', own?.relative, null, own?.reason ?? own?.basis ?? ''],
      ...(networks ? [['As the networks moved', networks.relative, null, networks.untold.length > 0 ? `Not told by ${networks.untold.join(', ')}` : ''], ...networks.parts.map((part) => [part.name, part.relative, part.share, ''])] : []),
      ...(field ? [['The field', field.change.relative, null, `${field.own} own and ${field.rivals} rival profiles`]] : []),
      ...(reason ? [['', null, null, reason]] : []),
    ],
  }
}

const targets = (list: readonly TargetView[]): Table => ({
  name: 'Targets',
  columns: [text('Metric'), text('Of'), number('Wanted'), day('From'), day('By'), number('So far'), number('So far, at least'), number('So far, at most'), text('Known'), share('Way done'), share('Time over'), number('Pace a day'), number('Pace needed'), number('Heading for'), number('At least'), number('At most'), text('Standing')],
  rows: list.map(({ metric, whoWords, wanted, from, by, figure, progress, heading }) => {
    const own = (value: number | undefined): Cell => ({ value, kind: kindOf(metric) })
    return [
      metricById(metric).name, whoWords, own(wanted), from, by, own(figure.value), own(figure.low), own(figure.high), knownText(figure, LOCALE), progress.done, progress.elapsed, own(progress.pace), own(progress.paceNeeded),
      own(heading?.value), own(heading?.low), own(heading?.high), progress.standing,
    ]
  }),
})

const open = ({ targets: inDanger, due, unusual: days, troubles }: WhatIsOpen): Table => ({
  name: 'What is open', columns: [text('What'), text('Of'), day('Day'), text('Remark')],
  rows: [
    ...inDanger.map(({ metric, whoWords, by, progress }) => ['Target', `${metricById(metric).name} of ${whoWords}`, by, progress.standing]),
    ...due.map(({ sentence }) => ['Due', '', null, sentence]),
    ...days.map(causeOf).map(({ from, profiles, value, usual }) => ['Unusual days', profiles.map(({ name }) => name).join('; '), from, `${value} interactions, usually ${Math.round(usual)}`]),
    ...troubles.map(({ name, sentence }) => ['Profile', name, null, sentence]),
  ],
})

const posts = (list: readonly ListedPost[], zone: string): Table => ({
  name: 'Posts', columns: [text('Id'), { title: `Published (${zone})`, kind: 'instant' }, text('Profile'), text('Network'), text('Format'), text('Text'), count('Impressions'), count('Interactions'), share('Interactions by impression'), share('At least'), share('At most')],
  rows: list.map((post) => [post.id, instant(post.publishedAt, zone), post.name, post.networkName, post.format, post.text, post.impressions, post.interactions, post.rate?.value, post.rate?.low, post.rate?.high]),
})

/** An instant as ISO 8601 with the offset that the zone has then. */
const instant = (at: Date | string, zone: string): string => DateTime.fromJSDate(new Date(at), { zone }).toISO({ suppressMilliseconds: true })!

function found(search: ProfileSearch | null): Table {
  return {
    name: 'Profiles found', columns: [text('Result'), text('Network'), text('Handle'), text('Name'), count('Followers')],
    rows: search ? [
      ...search.linked.map((each) => ['Linked from the page', each.networkName, each.handle, each.name, each.followers]),
      ...search.broken.map((each) => ['Linked, but not there', each.networkName, each.handle, '', null]),
      ...search.unlinked.map((each) => ['There, but not linked', each.networkName, each.handle, each.name, each.followers]),
      ...search.free.map((network) => ['Free', network, search.handle, '', null]),
      ...search.taken.map((each) => [each.isOwn ? 'Taken, by the client' : 'Taken', each.networkName, search.handle, each.name, null]),
    ] : [],
  }
}
