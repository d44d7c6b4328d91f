import type { Component } from 'vue'
import type { BlockKind, VersionsOf } from '~~/shared/report/blocks'
import OpenBlock from '~/clients/OpenBlock.vue'
import FieldBlock from '~/compare/field/FieldBlock.vue'
import FieldEventsBlock from '~/compare/field/FieldEventsBlock.vue'
import FieldLinesBlock from '~/compare/field/FieldLinesBlock.vue'
import FieldSettings from '~/compare/field/FieldSettings.vue'
import FieldLinesSettings from '~/compare/field/FieldLinesSettings.vue'
import SightingsBlock from '~/compare/field/SightingsBlock.vue'
import IndustryBlock from '~/compare/industry/IndustryBlock.vue'
import HabitsBlock from '~/compare/habits/HabitsBlock.vue'
import HabitsSettings from '~/compare/habits/HabitsSettings.vue'
import FoundBlock from '~/gather/find/FoundBlock.vue'
import ProfilesBlock from '~/gather/profiles/ProfilesBlock.vue'
import EndsBlock from '~/read/content/EndsBlock.vue'
import FormatsBlock from '~/read/content/FormatsBlock.vue'
import PostsBlock from '~/read/content/PostsBlock.vue'
import PostsSettings from '~/read/content/PostsSettings.vue'
import ChartBlock from '~/read/overview/ChartBlock.vue'
import FiguresBlock from '~/read/overview/FiguresBlock.vue'
import BreakdownBlock from '~/read/overview/BreakdownBlock.vue'
import SubjectBlock from '~/read/overview/SubjectBlock.vue'
import TableBlock from '~/read/overview/TableBlock.vue'
import AudienceBlock from '~/read/audience/AudienceBlock.vue'
import LinksBlock from '~/read/links/LinksBlock.vue'
import PollBlock from '~/read/audience/PollBlock.vue'
import PollSettings from '~/read/audience/PollSettings.vue'
import PlaceBlock from '~/read/places/PlaceBlock.vue'
import PlaceSettings from '~/read/places/PlaceSettings.vue'
import PlacesSettings from '~/read/places/PlacesSettings.vue'
import PlacesBlock from '~/read/places/PlacesBlock.vue'
import DirectoriesBlock from '~/read/directories/DirectoriesBlock.vue'
import DirectoriesSettings from '~/read/directories/DirectoriesSettings.vue'
import QuestionsBlock from '~/read/questions/QuestionsBlock.vue'
import RanksBlock from '~/read/ranks/RanksBlock.vue'
import RanksSettings from '~/read/ranks/RanksSettings.vue'
import ReviewsBlock from '~/read/reviews/ReviewsBlock.vue'
import TrafficBlock from '~/read/traffic/TrafficBlock.vue'
import ByTagBlock from '~/read/tags/ByTagBlock.vue'
import OccasionsBlock from '~/read/tags/OccasionsBlock.vue'
import OccasionsSettings from '~/read/tags/OccasionsSettings.vue'
import TargetsBlock from '~/read/targets/TargetsBlock.vue'
import TimesBlock from '~/read/times/TimesBlock.vue'
import TimesSettings from '~/read/times/TimesSettings.vue'
import UnusualBlock from '~/read/unusual/UnusualBlock.vue'
import WhyBlock from '~/read/why/WhyBlock.vue'
import PageBlock from '~/report/reports/PageBlock.vue'
import PlainTextBlock from '~/report/reports/PlainTextBlock.vue'
import TextBlock from '~/report/reports/TextBlock.vue'

/** How a kind of block is drawn: each version of its frozen form by what understands it. */
interface Drawing<Version extends number> {
  versions: Record<Version, Component>
  /** Where it is written: what can be chosen for it beside its metrics and its option. */
  settings?: Component
}

/** Every kind of block; a kind or a version that is declared and not drawn here is an error of types. */
export const DRAWINGS: { [Kind in BlockKind]: Drawing<VersionsOf<Kind>> } = {
  figures: { versions: { 1: FiguresBlock } },
  chart: { versions: { 1: ChartBlock } },
  table: { versions: { 1: TableBlock } },
  breakdown: { versions: { 1: BreakdownBlock } },
  why: { versions: { 1: WhyBlock } },
  unusual: { versions: { 1: UnusualBlock } },
  subject: { versions: { 1: SubjectBlock } },
  targets: { versions: { 1: TargetsBlock } },
  posts: { versions: { 1: PostsBlock }, settings: PostsSettings },
  ends: { versions: { 1: EndsBlock }, settings: PostsSettings },
  formats: { versions: { 1: FormatsBlock }, settings: PostsSettings },
  byTag: { versions: { 1: ByTagBlock } },
  occasions: { versions: { 1: OccasionsBlock }, settings: OccasionsSettings },
  audience: { versions: { 1: AudienceBlock } },
  poll: { versions: { 1: PollBlock }, settings: PollSettings },
  directories: { versions: { 1: DirectoriesBlock }, settings: DirectoriesSettings },
  questions: { versions: { 1: QuestionsBlock } },
  ranks: { versions: { 1: RanksBlock }, settings: RanksSettings },
  traffic: { versions: { 1: TrafficBlock } },
  links: { versions: { 1: LinksBlock } },
  places: { versions: { 1: PlacesBlock }, settings: PlacesSettings },
  place: { versions: { 1: PlaceBlock }, settings: PlaceSettings },
  reviews: { versions: { 1: ReviewsBlock } },
  times: { versions: { 1: TimesBlock }, settings: TimesSettings },
  field: { versions: { 1: FieldBlock }, settings: FieldSettings },
  fieldLines: { versions: { 1: FieldLinesBlock }, settings: FieldLinesSettings },
  fieldEvents: { versions: { 1: FieldEventsBlock }, settings: OccasionsSettings },
  habits: { versions: { 1: HabitsBlock }, settings: HabitsSettings },
  sightings: { versions: { 1: SightingsBlock } },
  industry: { versions: { 1: IndustryBlock } },
  open: { versions: { 1: OpenBlock } },
  profiles: { versions: { 1: ProfilesBlock } },
  found: { versions: { 1: FoundBlock } },
  text: { versions: { 1: PlainTextBlock, 2: TextBlock } },
  page: { versions: { 1: PageBlock } },
}

/**
 * What draws a block as it was frozen.
 *
 * @param textVersion  the form of texts in an edition of before blocks said their version
 */
export function drawingOf({ kind, version }: { kind: BlockKind; version?: number }, textVersion: 1 | 2): Component {
  const versions: Record<number, Component> = DRAWINGS[kind].versions
  return versions[version ?? (kind === 'text' ? textVersion : 1)]!
}
