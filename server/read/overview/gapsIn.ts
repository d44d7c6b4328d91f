import { metricById } from '../../../core/metrics/catalogue'
import type { ComparedFigure } from '../../../core/rollup/compareFigures'

/** Figures without a value, and those for which days are missing: how many of how many. */
export function gapsIn(list: readonly { compared: ComparedFigure; of?: string }[]): string[] {
  const named = ({ compared: { figure }, of }: { compared: ComparedFigure; of?: string }) =>
    `${metricById(figure.metric).name.toLowerCase()}${of ? ` of ${of}` : ''}`
  const empty = list.filter(
    ({ compared: { figure } }) =>
      figure.value === undefined && figure.low === undefined && figure.coverage.expected > 0,
  )
  const partial = list.filter(
    ({ compared: { figure } }) =>
      (figure.value !== undefined || figure.low !== undefined) && figure.coverage.present < figure.coverage.expected,
  )
  const worst = [...partial].sort((a, b) => shareOf(a.compared) - shareOf(b.compared))[0]
  return [
    ...(empty.length > 0
      ? [
          `there is no ${empty.slice(0, 3).map(named).join(', ')}${empty.length > 3 ? ` and ${empty.length - 3} more` : ''}.`,
        ]
      : []),
    ...(worst
      ? [
          `days are missing in ${partial.length} of ${list.length} figures, most in ${named(worst)}: ` +
            `${worst.compared.figure.coverage.present} of ${worst.compared.figure.coverage.expected} ` +
            'profile-days are there.',
        ]
      : []),
  ]
}

const shareOf = ({ figure: { coverage } }: ComparedFigure): number => coverage.present / coverage.expected
