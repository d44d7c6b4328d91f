import { knownText } from '../../core/format/formatChange'
import { wholeEnd } from '../../core/format/wholeEnd'
import type { Figure } from '../../core/figures/figure'
import { metricById } from '../../core/metrics/catalogue'
import type { ComparedFigure } from '../../core/rollup/compareFigures'
import { count, share, text } from '../platform/tables/columns'
import { KIND_OF_UNIT, type Cell, type CellKind, type Column } from '../platform/tables/table'

/** Files are written in one notation, whoever asks for them. */
export const LOCALE = 'en-GB'
export const kindOf = (metric: string): CellKind => KIND_OF_UNIT[metricById(metric).unit]

/** The two ends of a figure's range as files have them: of counts whole, and never inside the range. */
export const endsOf = ({
  metric,
  low,
  high,
}: Pick<Figure, 'metric' | 'low' | 'high'>): [low?: number, high?: number] => {
  const { unit } = metricById(metric)
  return [wholeEnd(low, unit, 'down'), wholeEnd(high, unit, 'up')]
}

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
const changeCells = ({ change }: ComparedFigure): Cell[] => [
  change?.to,
  change?.from,
  change?.difference,
  change?.relative,
  judgedText(change),
]

/** How a change is judged, in a word or two. */
export const judgedText = (change: ComparedFigure['change']): string =>
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
  return [
    figure.value,
    ...changeCells(compared),
    ...endsOf(figure),
    knownText(figure, LOCALE),
    figure.coverage.present,
    figure.coverage.expected,
    change?.days?.now,
    change?.days?.then,
  ]
}
