import { array, lazy, object, string, type AnyObjectSchema, type InferType, type Lazy, type ObjectSchema } from 'yup'
import { whoField } from '../figures/scopeFields'
import { text } from '../platform/text'
import type { BlockDeclaration } from './declareBlock'
import { fieldBlock } from '../compare/fieldBlock'
import { fieldEventsBlock } from '../compare/fieldEvents'
import { fieldLinesBlock } from '../compare/fieldLines'
import { habitsBlock } from '../compare/habitsBlock'
import { sightingsBlock } from '../compare/sightingsBlock'
import { industryBlock } from '../compare/industry'
import { foundBlock } from '../gather/foundBlock'
import { profilesBlock } from '../gather/profilesBlock'
import { openBlock } from '../openBlock'
import { chartBlock } from '../read/chartBlock'
import { endsBlock } from '../read/endsBlock'
import { figuresBlock } from '../read/figuresBlock'
import { formatsBlock } from '../read/formatsBlock'
import { audienceBlock } from '../read/audienceBlock'
import { linksBlock } from '../read/linksBlock'
import { pollBlock } from '../read/pollBlock'
import { directoriesBlock } from '../read/directoriesBlock'
import { questionsBlock } from '../read/questionsBlock'
import { ranksBlock } from '../read/ranksBlock'
import { placeBlock } from '../read/placeBlock'
import { placesBlock } from '../read/placesBlock'
import { reviewsBlock } from '../read/reviewsBlock'
import { trafficBlock } from '../read/trafficBlock'
import { byTagBlock } from '../read/byTagBlock'
import { occasionsBlock } from '../read/occasionsBlock'
import { breakdownBlock } from '../read/breakdownBlock'
import { postsBlock } from '../read/postsBlock'
import { subjectBlock } from '../read/subjectBlock'
import { tableBlock } from '../read/tableBlock'
import { targetsBlock } from '../read/targetsBlock'
import { timesBlock } from '../read/timesBlock'
import { unusualBlock } from '../read/unusualBlock'
import { whyBlock } from '../read/whyBlock'
import { pageBlock } from './pageBlock'
import { textBlock } from './textBlock'

/** Every kind of block, in the order in which they are offered. */
export const DECLARED_BLOCKS = [
  figuresBlock,
  chartBlock,
  tableBlock,
  breakdownBlock,
  whyBlock,
  unusualBlock,
  subjectBlock,
  targetsBlock,
  postsBlock,
  endsBlock,
  formatsBlock,
  byTagBlock,
  occasionsBlock,
  audienceBlock,
  pollBlock,
  trafficBlock,
  linksBlock,
  placesBlock,
  placeBlock,
  ranksBlock,
  questionsBlock,
  directoriesBlock,
  reviewsBlock,
  timesBlock,
  fieldBlock,
  fieldLinesBlock,
  fieldEventsBlock,
  habitsBlock,
  sightingsBlock,
  industryBlock,
  openBlock,
  profilesBlock,
  foundBlock,
  textBlock,
  pageBlock,
] as const
type Declared = (typeof DECLARED_BLOCKS)[number]

export type BlockKind = Declared['kind']
/** What an edition freezes of a kind of block. */
export type FilledOf<Kind extends BlockKind> = NonNullable<Extract<Declared, { kind: Kind }>['filled']>
/** The versions of its frozen form that a kind has had. */
export type VersionsOf<Kind extends BlockKind> = { 1: 1; 2: 1 | 2; 3: 1 | 2 | 3 }[Extract<
  Declared,
  { kind: Kind }
>['version']]

const DECLARATIONS = new Map(
  DECLARED_BLOCKS.map((declared) => [declared.kind, declared as unknown as BlockDeclaration<never>]),
)

/** What is declared of a kind of block. */
export const declarationOf = (kind: BlockKind): BlockDeclaration<never> => DECLARATIONS.get(kind)!

/** How many letters a title and a comment can have. */
export const LONGEST_TITLE = 160
export const LONGEST_COMMENT = 4000

/** What every block of a report has. */
const everyBlock = object({
  id: string().required().max(40),
  kind: string()
    .oneOf(DECLARED_BLOCKS.map(({ kind }) => kind))
    .required(),
  title: text().max(LONGEST_TITLE, 'Keep the title under 160 letters.').default(''),
  metrics: array(string().required().max(40)).max(12).default([]),
  /** What was chosen for it: the rows of a table, the way a figure is split, the order of posts. */
  option: string().max(40).default(''),
  /** Of whom: everybody, or the profiles and sets that were chosen for this block. */
  who: whoField().default('all'),
  comment: string().max(LONGEST_COMMENT, 'A comment can be 4,000 letters long.').default(''),
})

type OwnFields<D> = D extends { fields: { __outputType: infer Fields } } ? Fields : never
type Together<Union> = (Union extends unknown ? (one: Union) => void : never) extends (all: infer All) => void
  ? All
  : never

/** One part of a report, as it is kept. */
export type Block = InferType<typeof everyBlock> & Partial<Together<OwnFields<Declared>>>

/** The schema of a kind of block: what every block has, with what this kind alone has or allows. */
function schemaOf(kind: BlockKind): ObjectSchema<Block> {
  const { metrics, option, fields, name } = declarationOf(kind)
  const choices = option?.choices.map(({ value }) => value) ?? []
  const own = everyBlock.shape({
    metrics: array(string().required().max(40))
      .max(
        metrics?.most ?? 0,
        `“${name}” can have ${metrics?.most ?? 'no'} ${metrics?.most === 1 ? 'metric' : 'metrics'}.`,
      )
      .default([]),
    option: string()
      .max(40)
      .oneOf(['', ...choices], `“\${value}” cannot be chosen for “${name}”.`)
      .default(''),
  })
  return (fields ? own.concat(fields as AnyObjectSchema) : own) as ObjectSchema<Block>
}
const SCHEMAS = new Map(DECLARED_BLOCKS.map(({ kind }) => [kind as string, schemaOf(kind)]))

/** One part of a report, by the schema of its kind. */
export const blockSchema: Lazy<Block> = lazy(
  (block: { kind?: string } | undefined) => SCHEMAS.get(block?.kind ?? '') ?? (everyBlock as ObjectSchema<Block>),
)

/**
 * A block that was kept before, as it is kept now: with what came since at its usual value, and without what its kind
 * does not have.
 */
export const asKept = (block: Partial<Block> & { kind: BlockKind }): Block =>
  SCHEMAS.get(block.kind)!.cast(block, { stripUnknown: true, assert: false }) as Block
