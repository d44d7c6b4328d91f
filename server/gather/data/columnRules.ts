import { number, reach, string, type Schema } from 'yup'
import { isDay, yearOf } from '../../../core/days/day'
import type { Dataset } from '../../../core/datasets/dataset'
import { DATASETS } from '../../../core/datasets/datasets'
import { RECORDS, type RecordColumn, type RecordKind } from '../../../core/datasets/records'
import type { PackageRow } from '../../../core/datasets/renumber'
import { CORRECTION_STATES } from '../../../core/directories/correctionStates'
import { DIRECTORIES } from '../../../core/directories/directoryList'
import { ENTRY_FIELDS } from '../../../core/directories/entryFields'
import { CATALOGUE } from '../../../core/metrics/catalogue'
import { STORED_FIGURES } from '../../../core/metrics/storedFigures'
import { NETWORKS } from '../../../core/networks/networks'
import { PLAN_STATES } from '../../../core/plan/postStates'
import { MOODS, SUBJECT_IDS } from '../../../core/reviews/reviewAbout'
import { RESPONSE_BASES, RESPONSES } from '../../../core/times/responses'
import { referenceSchema } from '../../../shared/compare/industry'
import { SIGHTING_KINDS } from '../../../shared/compare/sightings'
import { againstField, periodField, whoField } from '../../../shared/figures/scopeFields'
import { FIRST_YEAR, LAST_YEAR } from '../../../shared/platform/dayField'
import { refillSchema } from '../../../shared/plan/refills'
import { slotsField } from '../../../shared/plan/weeklySlots'
import { FILE_TYPES } from '../../../shared/plan/plannedPosts'
import { linkPageSchema, linkSchema } from '../../../shared/read/links'
import { placeSchema } from '../../../shared/read/places'
import { HOW_CHOSEN, pollSchema } from '../../../shared/read/polls'
import { rankWatchSchema } from '../../../shared/read/ranks'
import { REPLY_STATES } from '../../../shared/read/reviews'
import { tagRuleSchema, tagSchema } from '../../../shared/read/tags'
import { targetSchema } from '../../../shared/read/targets'
import { siteSchema } from '../../../shared/read/traffic'
import { JobFailed } from '../../platform/jobs/context'

const part = (schema: Schema, path: string) => reach(schema, path) as Schema
const one = (ids: readonly string[]) =>
  string().test('known', '“${value}” is none of what can stand there', (value) => value == null || ids.includes(value))
const idsOf = (list: readonly { id: string }[]): string[] => list.map(({ id }) => id)
const listed = (ids: readonly string[]) =>
  string().test('known', '“${value}” is no list of what can stand there', (value) =>
    (value ?? '').split(',').every((each) => each === '' || ids.includes(each)),
  )
const whole = (least: number, most: number) =>
  number().integer(`it is a whole number from ${least} to ${most}`).min(least).max(most)
/** An address of somebody else's page, as it is shown as a link; there may be none. */
const address = string().test(
  'web',
  'it is no address that begins with https:// or http://',
  (value) => !value || (/^https?:\/\//i.test(value) && URL.canParse(value)),
)

const networks = idsOf(NETWORKS)
const directories = idsOf(DIRECTORIES)
const fields = idsOf(ENTRY_FIELDS)
const pictures = ['image/jpeg', 'image/png', 'image/webp', 'image/gif', 'image/svg+xml']
const clock = { weekday: part(slotsField, '[0].weekday'), minutes: part(slotsField, '[0].minutes') }

/**
 * What may stand in a column of a package beside what its type says, by table and column: the schema of the form that
 * writes it, or the words that are written there by the application itself.
 */
const RULES: Readonly<Record<string, Readonly<Record<string, Schema>>>> = {
  profile: { network: one(networks), consent: one(['none', 'given', 'withdrawn']) },
  tag: { colour: part(tagSchema, 'colour') },
  tag_rule: {
    any_words: part(tagRuleSchema, 'any'),
    all_words: part(tagRuleSchema, 'all'),
    none_words: part(tagRuleSchema, 'none'),
    hashtags: part(tagRuleSchema, 'hashtags'),
    formats: part(tagRuleSchema, 'formats'),
    who: whoField(),
  },
  site: { address: part(siteSchema, 'address') },
  poll: { chosen: one(Object.keys(HOW_CHOSEN)), people: part(pollSchema, 'people') },
  tracked_link: {
    code: string().matches(/^[A-Za-z0-9_-]{1,40}$/, 'it is no code of a link'),
    target: part(linkSchema, 'target'),
  },
  link_page: {
    code: string().matches(/^[A-Za-z0-9_-]{1,40}$/, 'it is no code of a page'),
    ground: part(linkPageSchema, 'ground'),
    ink: part(linkPageSchema, 'ink'),
    accent: part(linkPageSchema, 'accent'),
  },
  place: {
    country: part(placeSchema, 'country'),
    hours: part(placeSchema, 'hours'),
    lat: number().min(-90).max(90),
    lon: number().min(-180).max(180),
    web: address,
  },
  rank_watch: {
    kind: part(rankWatchSchema, 'kind'),
    rhythm: part(rankWatchSchema, 'rhythm'),
    shape: part(rankWatchSchema, 'shape'),
    spacing: part(rankWatchSchema, 'spacing'),
    rings: part(rankWatchSchema, 'rings'),
    lat: number().min(-90).max(90),
    lon: number().min(-180).max(180),
  },
  rank_check: { points: whole(1, 1000), here: whole(1, 1000), in_first: whole(0, 1000) },
  directory_entry: { directory: one(directories), address },
  entry_change: { field: one([...fields, 'entry']), state: one(['open', 'ours', 'agrees', 'kept', 'back']) },
  entry_correction: { field: one(fields), state: one(idsOf(CORRECTION_STATES)) },
  entry_request: { directory: one(directories), state: one(idsOf(CORRECTION_STATES)) },
  sighting: { kind: one(SIGHTING_KINDS), usual: number().min(0).max(1e12) },
  industry_figure: {
    measure: part(referenceSchema, 'measure'),
    network: part(referenceSchema, 'network'),
    from_size: part(referenceSchema, 'from'),
    lower_value: part(referenceSchema, 'lower'),
    middle_value: part(referenceSchema, 'middle'),
    upper_value: part(referenceSchema, 'upper'),
  },
  slot_try: {
    response: one(idsOf(RESPONSES)),
    base: one(idsOf(RESPONSE_BASES)),
    before_mean: number().min(-50).max(50),
    before_spread: number().min(0).max(50),
  },
  plan_file: { type: one(FILE_TYPES) },
  planned_post: { state: one(PLAN_STATES) },
  planned_posting: { state: one(['', 'to do', 'publishing', 'published', 'late', 'failed']), address },
  plan_slot: clock,
  plan_refill: { days_apart: part(refillSchema, 'daysApart') },
  plan_refill_slot: clock,
  target: { metric: one(idsOf(CATALOGUE)), who: one(['all', 'some']), wanted: part(targetSchema, 'wanted') },
  target_network: { network: one(networks) },
  restatement: { metric: one(STORED_FIGURES.map(({ column }) => column)) },
  report: { period: periodField(), against: againstField() },
  post_picture: { type: one(pictures) },
  listing_picture_file: { type: one(pictures) },
  review_reading: { mood: one(idsOf(MOODS)), subjects: listed(SUBJECT_IDS) },
  review_reply: { state: one(REPLY_STATES) },
  link_visit: {
    place: one(['link', 'page']),
    hour: whole(0, 23),
    kind: one(['person', 'robot', 'prefetch']),
  },
  link_visit_part: { place: one(['link', 'page']), facet: one(['referrer', 'country', 'page']) },
  post: { format: string().matches(/^[a-z][a-z -]{0,19}$/, '“${value}” is no format of posts') },
  review: { language: string().matches(/^[A-Za-z]{2,3}(-[A-Za-z0-9]{1,8})*$/, '“${value}” is no language') },
}

/** Columns of words that a person or a network writes, which hold any text; for a test that finds what has no rule. */
export const FREE_TEXTS: ReadonlySet<string> = new Set(
  (
    'profile.handle profile.name profile.remote_id profile.rival profile.former_handle profile_set.name tag.name ' +
    'site.name kept_estimate.name poll.question poll.asked tracked_link.name tracked_link.source tracked_link.medium ' +
    'tracked_link.campaign tracked_link.content link_page.title link_page.intro place.name place.street place.town ' +
    'place.postcode place.phone place.description place_group.name rank_watch.keyword rank_check.sought ' +
    'directory_entry.remote_id entry_change.was entry_change.became entry_change.changed_by entry_change.kept_over ' +
    'entry_correction.value entry_correction.reason entry_request.reason sighting.subject sighting.text ' +
    'industry_figure.source reply_template.name plan_file.name plan_file.sha256 planned_post.post_key ' +
    'planned_post.written_name planned_post.approved_name planned_post.series_key planned_posting.own_text ' +
    'planned_posting.remote_id planned_posting.refusal saved_text.name saved_text.text plan_refill.name ' +
    'plan_refill.written_name planned_remark.who planned_remark.step planned_remark.text saved_scope.name note.title ' +
    'note.body report.title edition.title edition.period_words edition.sha256 edition.issued_by_name ' +
    'post_picture.remote_id listing_picture_file.remote_id post_tag.remote_id review_reading.remote_id ' +
    'review_reply.remote_id review_reply.text review_reply.refusal link_visit_part.part post.text post.picture_url ' +
    'post.alt review.author review.text review.answer question.author question.text question.answer ' +
    'question.answered_by listing_picture.author listing_picture.text listing_picture.picture_url'
  ).split(' '),
)

/** Every column that a person would write words in, as `table.column`: each is free, or has a rule. */
export const WORD_COLUMNS: readonly string[] = [
  ...RECORDS.flatMap(({ id, columns }) =>
    columns.flatMap(({ column, type }) => (type === 'text' ? [`${id}.${column}`] : [])),
  ),
  ...DATASETS.flatMap(({ id, texts }) =>
    texts.flatMap(({ column, type }) => (type === 'text' ? [`${id}.${column}`] : [])),
  ),
]
export const hasRule = (name: string): boolean => {
  const [table, column] = name.split('.') as [string, string]
  return RULES[table]?.[column] !== undefined
}

/** The largest whole number and number that a column without a rule of its own holds. */
const [MOST_WHOLE, MOST_NUMBER] = [4_294_967_295, 1e15]

/** Whether a value is one that its type allows: days and instants in years that a person can mean, numbers of sizes. */
function unlikeItsType(type: RecordColumn['type'], value: string | number): string | undefined {
  if (type === 'day' || type === 'instant') {
    const day = String(value).slice(0, 10)
    return isDay(day) && yearOf(day) >= FIRST_YEAR && yearOf(day) <= LAST_YEAR
      ? undefined
      : `it lies outside the years ${FIRST_YEAR} to ${LAST_YEAR}`
  }
  if (type === 'integer') return Math.abs(Number(value)) <= MOST_WHOLE ? undefined : 'the number is too large'
  if (type === 'number') return Math.abs(Number(value)) <= MOST_NUMBER ? undefined : 'the number is too large'
  return type === 'text' && String(value).includes('\0') ? 'a sign stands there that no text has' : undefined
}

function refuseColumn(table: string, column: string, type: RecordColumn['type'], value: string | number | null): void {
  if (value === null) return
  const unlike = unlikeItsType(type, value)
  if (unlike) throw new JobFailed(`${column}: ${unlike}`)
  const rule = RULES[table]?.[column]
  if (!rule) return
  try {
    rule.validateSync(value)
  } catch (error) {
    throw new JobFailed(`${column}: ${(error as Error).message.replace(/\.$/, '')}`)
  }
}

/**
 * Refuses a record that no form and no part of the application could have written.
 *
 * @throws JobFailed with the column and what is wrong with it
 */
export function refuseOtherRecord({ id, columns }: RecordKind, row: PackageRow): void {
  for (const { column, type } of columns) refuseColumn(id, column, type, row[column] ?? null)
  const [from, to] = [row.from_day, row.to_day ?? row.by_day]
  if (from && to && id !== 'sighting' && to < from) throw new JobFailed('it ends before it begins')
  if (id === 'industry_figure') refuseOtherReference(row)
  if (id === 'edition') refuseOtherEdition(String(row.content))
}

/** An edition is as it was issued, in whatever form that was then: it has a title, a period and blocks of some kind. */
function refuseOtherEdition(content: string): void {
  const { title, period, blocks } = (JSON.parse(content) ?? {}) as Record<string, unknown>
  const isBlock = (block: unknown) =>
    block !== null && typeof block === 'object' && typeof (block as { kind?: unknown }).kind === 'string'
  const hasDays = (given: unknown) => {
    const { from, to } = (given ?? {}) as { from?: unknown; to?: unknown }
    return isDay(String(from)) && isDay(String(to))
  }
  if (typeof title !== 'string' || !hasDays(period) || !Array.isArray(blocks) || !blocks.every(isBlock))
    throw new JobFailed('content: it is no edition, which has a title, a period and blocks')
}

/** What of a reference goes together: quartiles around the middle, a size that ends after it begins. */
function refuseOtherReference(row: PackageRow): void {
  const [lower, middle, upper] = [row.lower_value, row.middle_value, row.upper_value].map((value) => value ?? null)
  const order = [lower, middle, upper].filter((value) => value !== null)
  if (order.some((value, index) => index > 0 && Number(value) < Number(order[index - 1])))
    throw new JobFailed('lower_value, middle_value, upper_value: they are not in their order')
  const [begins, ends] = [row.from_size ?? null, row.below_size ?? null]
  if (begins !== null && ends !== null && Number(ends) <= Number(begins))
    throw new JobFailed('below_size: the size ends before it begins')
}

/**
 * Refuses a row of figures whose keys or texts nothing could have brought.
 *
 * @throws JobFailed with the column and what is wrong with it
 */
export function refuseOtherRow({ id, keys, texts }: Dataset, row: PackageRow): void {
  for (const { column, type } of [...keys, ...texts]) {
    const kind = type === 'day' || type === 'instant' ? type : type === 'text' || type === 'id' ? 'text' : undefined
    if (kind) refuseColumn(id, column, kind, row[column] ?? null)
  }
}
