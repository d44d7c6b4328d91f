import { AUDIENCE_BASES, FACETS } from '../../../core/breakdowns/audienceBreakdowns'
import type { FilledAudience } from '../../../shared/read/audienceBlock'
import type { ReportBlock } from '../../figures/reportBlock'
import { count, number, share, text } from '../../platform/tables/columns'
import { audienceOf, WITHHELD_WORDS } from './audience'

export const audienceBlock: ReportBlock<FilledAudience> = {
  async fill({ db, scope, block }) {
    const facet = block.option || FACETS[0]!.id
    const [view] = (await audienceOf(db, scope, facet)).shown
    return { facet, ...(view && { view }) }
  },
  tableOf({ facet, view }) {
    const { name } = FACETS.find(({ id }) => id === facet)!
    const withheld = AUDIENCE_BASES.map(({ id }) => view?.totals[id]?.withheld)
    return {
      name: `Audience by ${name.toLowerCase()}`,
      columns: [
        text(name),
        ...AUDIENCE_BASES.flatMap(({ name: base, words }) => [count(base), share(`Share ${words}`)]),
        number('Responded against follow, 100 = alike'),
        number('At least'),
        number('At most'),
      ],
      rows: [
        ...(view?.parts ?? []).map(({ name: part, counts, index }) => [
          part,
          ...AUDIENCE_BASES.flatMap(({ id }) => {
            const people = counts[id]
            return people === undefined
              ? [undefined, undefined]
              : [Math.round(people), people / view!.totals[id]!.known]
          }),
          index?.value,
          index?.low,
          index?.high,
        ]),
        ...(withheld.some(Boolean)
          ? [
              [
                `Withheld: ${WITHHELD_WORDS}`,
                ...AUDIENCE_BASES.flatMap(({ id }) => {
                  const total = view!.totals[id]
                  return total ? [Math.round(total.withheld), total.withheld / total.known] : [undefined, undefined]
                }),
                undefined,
                undefined,
                undefined,
              ],
            ]
          : []),
      ],
    }
  },
  missingIn: ({ view }) => (view && view.parts.length > 0 ? [] : ['no network tells it of these profiles.']),
}
