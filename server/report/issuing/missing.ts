import { asSentence } from '../../../core/format/asSentence'
import { metricById } from '../../../core/metrics/catalogue'
import type { ComparedFigure } from '../../../core/rollup/compareFigures'
import type { FilledBlock, ReportContent } from '../../../shared/report/content'

/**
 * What is missing in a report as it would be issued, in sentences: parts that cannot be filled or have nothing in them,
 * and figures that rest on fewer days than their period has. An edition can be issued with gaps; whoever issues it has
 * seen them.
 */
export function missingIn({ blocks }: Pick<ReportContent, 'blocks'>): string[] {
  return blocks.flatMap((block, index) =>
    missingOf(block).map((sentence) => `Block ${index + 1}${block.title ? `, “${block.title}”` : ''}: ${sentence}`),
  )
}

function missingOf(block: FilledBlock): string[] {
  switch (block.kind) {
    case 'broken':
      return [`it cannot be filled. ${block.problem}`]
    case 'figures':
      return gaps(block.figures.map((compared) => ({ compared })))
    case 'table':
      return gaps(
        block.rows.flatMap((row) => block.metrics.map((metric) => ({ compared: row.figures[metric]!, of: row.name }))),
      )
    case 'chart':
      return block.line.current.some(({ value, low }) => value !== undefined || low !== undefined)
        ? []
        : [`no day has ${metricById(block.line.metric).name.toLowerCase()}.`]
    case 'targets':
      return block.targets.length === 0 ? ['no target is set.'] : []
    case 'posts':
      return block.posts.length === 0 ? ['nothing was published in this period.'] : []
    case 'found':
      return block.found ? [] : ['the client’s profiles were not looked for yet.']
    case 'text':
      return block.text.trim() === '' ? ['the text is empty.'] : []
    case 'why':
      return block.why.reason ? [asSentence(block.why.reason)] : []
    case 'subject':
      return block.subject.reason ? [asSentence(block.subject.reason)] : []
    case 'parts':
      return block.split.rows.length + block.split.times.length === 0
        ? ['no network gives this split for the period.']
        : []
    default:
      return []
  }
}

/** Figures without a value, and those for which days are missing: how many of how many. */
function gaps(list: readonly { compared: ComparedFigure; of?: string }[]): string[] {
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
