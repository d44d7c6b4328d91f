import { openBlock } from '../../clients/openBlock'
import { foundBlock } from '../../gather/find/foundBlock'
import { profilesBlock } from '../../gather/profiles/profilesBlock'
import { endsBlock } from '../../read/content/endsBlock'
import { formatsBlock } from '../../read/content/formatsBlock'
import { audienceBlock } from '../../read/audience/audienceBlock'
import { linksBlock } from '../../read/links/linksBlock'
import { pollBlock } from '../../read/audience/pollBlock'
import { fieldBlock } from '../../compare/field/fieldBlock'
import { fieldEventsBlock } from '../../compare/field/fieldEvents'
import { fieldLinesBlock } from '../../compare/field/fieldLines'
import { habitsBlock } from '../../compare/habits/habitsBlock'
import { industryBlock } from '../../compare/industry/industryBlock'
import { sightingsBlock } from '../../compare/field/sightingsBlock'
import { directoriesBlock } from '../../read/directories/directoriesBlock'
import { questionsBlock } from '../../read/questions/questionsBlock'
import { ranksBlock } from '../../read/ranks/ranksBlock'
import { placeBlock } from '../../read/places/placeBlock'
import { placesBlock } from '../../read/places/placesBlock'
import { reviewsBlock } from '../../read/reviews/reviewsBlock'
import { trafficBlock } from '../../read/traffic/trafficBlock'
import { byTagBlock } from '../../read/tags/byTagBlock'
import { occasionsBlock } from '../../read/tags/occasionsBlock'
import { postsBlock } from '../../read/content/postsBlock'
import { chartBlock } from '../../read/overview/chartBlock'
import { figuresBlock } from '../../read/overview/figuresBlock'
import { breakdownBlock } from '../../read/overview/breakdownBlock'
import { subjectBlock } from '../../read/overview/subjectBlock'
import { tableBlock } from '../../read/overview/tableBlock'
import { targetsBlock } from '../../read/targets/targetsBlock'
import { timesBlock } from '../../read/times/timesBlock'
import { unusualBlock } from '../../read/unusual/unusualBlock'
import { whyBlock } from '../../read/why/whyBlock'
import { pageBlock } from './pageBlock'
import { textBlock } from './textBlock'
import type { ReportBlock } from '../../figures/reportBlock'
import type { BlockKind, FilledOf } from '../../../shared/report/blocks'

/** Every kind of block; a kind that is declared and not listed here is an error of types. */
const BLOCK_KINDS: { [Kind in BlockKind]: ReportBlock<FilledOf<Kind>> } = {
  figures: figuresBlock,
  chart: chartBlock,
  table: tableBlock,
  breakdown: breakdownBlock,
  why: whyBlock,
  unusual: unusualBlock,
  subject: subjectBlock,
  targets: targetsBlock,
  posts: postsBlock,
  ends: endsBlock,
  formats: formatsBlock,
  byTag: byTagBlock,
  occasions: occasionsBlock,
  audience: audienceBlock,
  poll: pollBlock,
  traffic: trafficBlock,
  links: linksBlock,
  places: placesBlock,
  place: placeBlock,
  ranks: ranksBlock,
  questions: questionsBlock,
  directories: directoriesBlock,
  reviews: reviewsBlock,
  times: timesBlock,
  field: fieldBlock,
  fieldLines: fieldLinesBlock,
  fieldEvents: fieldEventsBlock,
  habits: habitsBlock,
  sightings: sightingsBlock,
  industry: industryBlock,
  open: openBlock,
  profiles: profilesBlock,
  found: foundBlock,
  text: textBlock,
  page: pageBlock,
}

/** What is done with a kind of block that is only known when it runs. */
export const reportBlockOf = (kind: BlockKind) => BLOCK_KINDS[kind] as unknown as ReportBlock<FilledOf<BlockKind>>
