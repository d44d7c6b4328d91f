import { RANK_KINDS } from '../../../core/ranks/found'
import { DEPTH, type MiddleRank, type Rank } from '../../../core/ranks/rankFigures'
import type { FilledRanks } from '../../../shared/read/ranksBlock'
import type { ReportBlock } from '../../figures/reportBlock'
import { count, number, text } from '../../platform/tables/columns'
import { ranksIn } from './ranks'
import { rankView } from './rankView'
import { watchesOf } from './rankWatches'

/** A rank in a cell: a number, and a word where it is not known. */
const cell = (rank: Rank | undefined) => (rank === undefined ? undefined : (rank?.toString() ?? `beyond ${DEPTH}`))
const middle = (value: MiddleRank | undefined) =>
  value && (value.low === value.high ? cell(value.low) : `${cell(value.low)} to ${cell(value.high)}`)
const kindName = (id: string) => RANK_KINDS.find((kind) => kind.id === id)!.name

export const ranksBlock: ReportBlock<FilledRanks> = {
  fill: async ({ db, scope, block }) =>
    block.watch === undefined
      ? { ranks: await ranksIn(db, scope) }
      : (await watchesOf(db)).some(({ id }) => id === block.watch)
        ? { one: await rankView(db, scope, block.watch) }
        : {},
  tableOf: ({ ranks, one }) =>
    one
      ? {
          name: 'Ranks by point',
          columns: [
            count('Point'),
            number('Latitude'),
            number('Longitude'),
            number('Kilometres'),
            text('Direction'),
            text('Rank'),
            text('Rank before'),
            text('First there'),
          ],
          rows: (one.now?.points ?? []).map((point, index) => [
            point.number,
            point.lat,
            point.lon,
            point.km,
            point.wind,
            cell(point.rank),
            one.before && cell(one.before.points[index]?.rank ?? null),
            one.now!.listings[point.found[0] ?? -1]?.name,
          ]),
        }
      : {
          name: 'Ranks in searches',
          columns: [
            text('Keyword'),
            text('Place'),
            text('Where'),
            count('Checks'),
            count('Among the first three'),
            text('Median rank'),
            text('Best'),
            text('Worst'),
            text('Median rank before'),
            number('Chance of as much'),
          ],
          rows: (ranks?.rows ?? []).map(({ keyword, place, kind, now, before, chance }) => [
            keyword,
            place.name,
            kindName(kind),
            now.checks,
            now.first,
            middle(now.middle),
            cell(now.best),
            cell(now.worst),
            middle(before?.middle),
            chance,
          ]),
        },
  missingIn: ({ ranks, one }) =>
    one
      ? one.now
        ? []
        : ['it was not checked in this period.']
      : !ranks
        ? ['what it showed is looked for no more.']
        : ranks.rows.length === 0
          ? ['nothing is looked for.']
          : ranks.rows.flatMap(({ keyword, place, now }) =>
              now.checks === 0 ? [`“${keyword}”, ${place.name}, was not checked in this period.`] : [],
            ),
}
