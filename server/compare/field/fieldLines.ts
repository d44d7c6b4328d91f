import { addDays } from '../../../core/days/day'
import { memberLine, shareLines } from '../../../core/field/memberLines'
import { metricById } from '../../../core/metrics/catalogue'
import { lengthOf } from '../../../core/periods/period'
import { aggregateDays } from '../../../core/rollup/aggregateDays'
import { figureOf } from '../../../core/rollup/figureOf'
import { publicPart } from '../../../core/rollup/publicPart'
import { breakWords } from '../../../shared/compare/breakWords'
import {
  fieldLinesSchema,
  type FieldLines,
  type FieldLinesQuery,
  type FilledFieldLines,
} from '../../../shared/compare/fieldLines'
import { NO_DAYS, inDatabase } from '../../figures/factSource'
import { memberOf, type ProfileRow } from '../../figures/questions/profileRows'
import type { ReportBlock } from '../../figures/reportBlock'
import type { ResolvedScope } from '../../figures/resolveScope'
import { columnsFor, neededDays } from '../../figures/rollUp'
import type { ClientDb } from '../../platform/database/clientDb'
import { forbidden, NOT_RELEASED } from '../../platform/problems/problem'
import { day, number, text } from '../../platform/tables/columns'
import { groupsOf } from './groups'

/** A year is shown, or the period where that is longer, up to two years. */
const USUAL_WEEKS = 52
const MOST_WEEKS = 104

/**
 * The members of a field week by week, the last week ending with the period. A week of a profile counts where all of its
 * days are known; only what everybody can see is used, of the client too.
 */
export async function fieldLines(db: ClientDb, scope: ResolvedScope, query: FieldLinesQuery): Promise<FieldLines> {
  const { groups } = await groupsOf(db, scope, query)
  const { to } = scope.period
  const count = Math.min(MOST_WEEKS, Math.max(USUAL_WEEKS, Math.floor(lengthOf(scope.period) / 7)))
  const weeks = Array.from({ length: count }, (_, index) => addDays(to, -7 * (count - 1 - index)))
  const columns = columnsFor([query.line])
  const days = await inDatabase(db).days(
    groups.flatMap(({ profiles }) => profiles.map(({ profile_id: id }) => id)),
    neededDays({ from: addDays(weeks[0]!, -6), to }, columns),
    columns,
  )
  const weeksOf = (profile: ProfileRow) => {
    const own = days.get(profile.profile_id) ?? NO_DAYS
    return weeks.map((last) => {
      const period = { from: addDays(last, -6), to: last }
      const aggregate = publicPart(aggregateDays(memberOf(profile), own, period, columns))
      const { value, coverage } = figureOf(query.line, [aggregate], { period })
      return coverage.present === coverage.expected ? value : undefined
    })
  }
  const form = query.as === 'share' ? 'level' : query.as
  const drawn = groups.map(({ profiles }) =>
    memberLine(
      profiles.map((profile) => ({ name: profile.networkName, values: weeksOf(profile) })),
      form,
    ),
  )
  const lines = query.as === 'share' ? shareLines(drawn) : drawn
  return {
    metric: query.line,
    form: query.as,
    weeks,
    members: groups.map(({ id, name, isOwn }, index) => ({ id, name, isOwn, ...lines[index]! })),
  }
}

export const fieldLinesBlock: ReportBlock<FilledFieldLines> = {
  fill: async ({ db, scope, block, sight }) => {
    if (!sight.rivals) throw forbidden(NOT_RELEASED)
    return { lines: await fieldLines(db, scope, fieldLinesSchema.cast(block, { stripUnknown: true })) }
  },
  tableOf: ({ lines: { metric, form, weeks, members } }) => ({
    name: 'The field week by week',
    columns: [
      day('Week to'),
      text('Member'),
      number(`${metricById(metric).name}${form === 'level' ? '' : `, ${form}`}`),
      text('Break'),
    ],
    rows: members.flatMap(({ name, values, breaks }) =>
      weeks.map((last, week) => {
        const broken = breaks.find((one) => one.week === week)
        return [last, name, values[week], broken ? breakWords(broken) : '']
      }),
    ),
  }),
}
