import { WEEKDAYS } from '../../../core/times/slots'
import { networkById } from '../../../core/networks/networks'
import type { TimesUsual } from '../../../core/habits/timesUsual'
import { habitsSchema, type HabitsView } from '../../../shared/compare/habits'
import type { FilledHabits } from '../../../shared/compare/habitsBlock'
import type { ReportBlock } from '../../figures/reportBlock'
import { forbidden, NOT_RELEASED } from '../../platform/problems/problem'
import { count, day, number, share, text } from '../../platform/tables/columns'
import type { Table } from '../../platform/tables/table'
import { fieldHabits } from './fieldHabits'

export const habitsBlock: ReportBlock<FilledHabits> = {
  fill: async ({ db, scope, block, sight }) => {
    if (!sight.rivals) throw forbidden(NOT_RELEASED)
    const query = habitsSchema.cast({ ...block, term: '' }, { stripUnknown: true })
    return {
      part: block.part ?? 'terms',
      habits: await fieldHabits(db, scope, query),
      terms: query.terms,
      corners: query.corners,
    }
  },
  tableOf: (filled) => ({ name: NAMES[filled.part], ...TABLES[filled.part](filled.habits) }),
  missingIn: ({ habits }) => [
    ...(habits.members.every(({ isOwn }) => isOwn) ? ['no rival of this client has figures.'] : []),
    ...(habits.posts > 0 && habits.judged === 0
      ? [`the posts of this period are still gathering: those up to ${habits.judgedTo} are judged.`]
      : []),
  ],
}

const NAMES: Record<FilledHabits['part'], string> = {
  rhythm: 'Rhythm of the field',
  formats: 'Formats of the field',
  terms: 'Terms of the field',
  only: 'Terms of one alone',
  corners: 'Corners of the field',
}
const USUAL = [number('Times usual'), number('From'), number('To'), count('Posts judged'), text('Stands')]
const usual = ({ times, stands }: { times?: TimesUsual; stands?: string }) => [
  times?.value,
  times?.low,
  times?.high,
  times?.posts,
  stands,
]

const TABLES: Record<FilledHabits['part'], (habits: HabitsView) => Omit<Table, 'name'>> = {
  rhythm: ({ rhythm, members }) => ({
    columns: [
      text('Member'),
      count('Posts in 52 weeks'),
      ...WEEKDAYS.map((name) => count(name)),
      number('A week, last 28 days'),
      number('A week, 28 days before'),
      day('Last post'),
      count('Longest silence, days'),
      day('From'),
      day('To'),
    ],
    rows: rhythm.map(({ member, posts, weekdays, rhythm: own }) => [
      nameIn(members, member),
      posts,
      ...weekdays,
      own.perWeek,
      own.before,
      own.last,
      own.longest?.days,
      own.longest?.from,
      own.longest?.to,
    ]),
  }),
  formats: ({ formats, members }) => ({
    columns: [text('Format'), text('Member'), count('Posts'), share('Share of its posts'), ...USUAL],
    rows: formats.flatMap(({ format, members: of }) =>
      of.map((own) => [format, nameIn(members, own.member), own.posts, own.share, ...usual(own)]),
    ),
  }),
  terms: ({ terms, members }) => ({
    columns: [text('Term'), count('Posts'), text('Used by'), ...USUAL],
    rows: terms.map((own) => [
      own.term,
      own.posts,
      own.users.map(({ member, posts }) => `${nameIn(members, member)} ${posts}`).join(', '),
      ...usual(own),
    ]),
  }),
  only: ({ only, members }) => ({
    columns: [text('Member'), text('Term'), count('Posts'), ...USUAL],
    rows: only.flatMap(({ member, terms }) =>
      terms.map((own) => [nameIn(members, member), own.term, own.posts, ...usual(own)]),
    ),
  }),
  corners: ({ corners }) => ({
    columns: [
      text('Network'),
      text('Corner'),
      count('Posts of rivals'),
      number('A usual corner'),
      text('Quiet'),
      count('Own posts'),
      ...USUAL,
    ],
    rows: corners.map((own) => [
      networkById(own.network).name,
      own.place,
      own.rivals,
      own.average,
      own.isQuiet ? 'quiet' : '',
      own.own,
      ...usual(own),
    ]),
  }),
}

const nameIn = (members: HabitsView['members'], member: number): string =>
  members.find(({ id }) => id === member)?.name ?? ''
