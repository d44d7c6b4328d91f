<script setup lang="ts">
/** The traffic of a site: its figures, its days, its pages, and where visits came from. */
import { formatCount, formatDuration, formatShare } from '~~/core/format/numbers'
import { describeDay } from '~~/core/periods/describePeriod'
import type { PageTraffic, PeopleBounds, SiteTraffic, SourceTraffic } from '~~/shared/read/traffic'
import { axisOf, strokesOf } from '~/figures/charts/lineDrawing'

const props = defineProps<{ traffic: SiteTraffic; isPlain?: boolean }>()
const locale = useLocale()
const count = (value: number) => formatCount(value, locale)
const people = (bounds: PeopleBounds | undefined) =>
  !bounds
    ? '—'
    : bounds.high === undefined
      ? `at least ${count(bounds.low)}`
      : bounds.low === bounds.high
        ? count(bounds.low)
        : `${count(bounds.low)} to ${count(bounds.high)}`
const consent = computed(() => {
  const { consented } = props.traffic
  return consented && consented.of > 0 ? consented.visits / consented.of : undefined
})
/** What stands beside every figure that rests on those who consented. */
const ofWhom = computed(() =>
  consent.value === undefined
    ? 'of visitors who consented'
    : `of the ${formatShare(consent.value, locale)} who consented`,
)
const [WIDTH, HEIGHT] = [1000, 90]
const views = computed(() => props.traffic.byDay.map((day) => day.views))
const axis = computed(() => axisOf(views.value, false))
const most = computed(() =>
  props.traffic.byDay.reduce<SiteTraffic['byDay'][number] | undefined>(
    (found, day) => ((day.views ?? 0) > (found?.views ?? 0) ? day : found),
    undefined,
  ),
)
const PAGES = computed(() => [
  { key: 'page', label: 'Page', isWords: true, valueOf: ({ page }: PageTraffic) => page },
  {
    key: 'views',
    label: 'Page views',
    isFigure: true,
    valueOf: ({ views: many }: PageTraffic) => many,
    textOf: ({ views: many }: PageTraffic) => count(many),
  },
  ...(props.traffic.viewsChange
    ? [
        {
          key: 'change',
          label: 'Change',
          isFigure: true,
          valueOf: ({ change }: PageTraffic) => change?.relative ?? -Infinity,
        },
      ]
    : []),
  {
    key: 'people',
    label: 'Different visitors',
    isFigure: true,
    valueOf: (row: PageTraffic) => row.people?.low ?? -1,
    textOf: (row: PageTraffic) => people(row.people),
  },
  {
    key: 'time',
    label: 'Mean time on it',
    isFigure: true,
    valueOf: ({ meanSeconds }: PageTraffic) => meanSeconds ?? -1,
    textOf: ({ meanSeconds }: PageTraffic) => (meanSeconds === undefined ? '—' : formatDuration(meanSeconds, locale)),
  },
  {
    key: 'entrances',
    label: 'Entrances',
    isFigure: true,
    valueOf: ({ entrances }: PageTraffic) => entrances,
    textOf: ({ entrances }: PageTraffic) => count(entrances),
  },
  {
    key: 'exits',
    label: 'Exits',
    isFigure: true,
    valueOf: ({ exits }: PageTraffic) => exits,
    textOf: ({ exits }: PageTraffic) => count(exits),
  },
])
const SOURCES = computed(() => [
  { key: 'source', label: 'Source', isWords: true, valueOf: ({ source }: SourceTraffic) => source },
  { key: 'medium', label: 'Medium', isWords: true, isQuiet: true, valueOf: ({ medium }: SourceTraffic) => medium },
  {
    key: 'visits',
    label: 'Visits',
    isFigure: true,
    valueOf: ({ visits }: SourceTraffic) => visits,
    textOf: ({ visits }: SourceTraffic) => count(visits),
  },
  ...(props.traffic.sources.some(({ change }) => change)
    ? [
        {
          key: 'change',
          label: 'Change',
          isFigure: true,
          valueOf: ({ change }: SourceTraffic) => change?.relative ?? -Infinity,
        },
      ]
    : []),
  {
    key: 'people',
    label: 'Different visitors',
    isFigure: true,
    valueOf: (row: SourceTraffic) => row.people?.low ?? -1,
    textOf: (row: SourceTraffic) => people(row.people),
  },
])
</script>

<template>
  <div>
    <dl class="heads">
      <div>
        <dt>Page views</dt>
        <dd>{{ count(traffic.views) }}</dd>
        <dd class="quiet">
          <template v-if="traffic.viewsChange"><CountChangeText :change="traffic.viewsChange" />; </template
          >{{ ofWhom }}
        </dd>
      </div>
      <div>
        <dt>Different visitors</dt>
        <dd>{{ people(traffic.visitors) }}</dd>
        <dd class="quiet">{{ ofWhom }}</dd>
      </div>
      <div>
        <dt>Visits</dt>
        <dd>{{ count(traffic.visits) }}</dd>
        <dd class="quiet">of all visitors</dd>
      </div>
      <div>
        <dt>Consented</dt>
        <dd>{{ consent === undefined ? '—' : formatShare(consent, locale) }}</dd>
        <dd class="quiet">
          {{
            traffic.consented
              ? `${count(traffic.consented.visits)} of ${count(traffic.consented.of)} visits`
              : 'not told for these days'
          }}
        </dd>
      </div>
    </dl>
    <p v-if="traffic.days.known < traffic.days.of" class="quiet">
      {{ traffic.days.of - traffic.days.known }} of {{ traffic.days.of }} days are not known; they are missing, not
      zero.
    </p>
    <figure v-if="most">
      <figcaption class="quiet">
        Page views by day; most on {{ describeDay(most.day) }}: {{ count(most.views ?? 0) }}
      </figcaption>
      <svg
        :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
        preserveAspectRatio="none"
        role="img"
        :aria-label="`Page views by day, from ${describeDay(traffic.byDay[0]!.day)} to ${describeDay(traffic.byDay.at(-1)!.day)}`"
      >
        <path :d="strokesOf(views, axis, { width: WIDTH, height: HEIGHT })" vector-effect="non-scaling-stroke" />
      </svg>
    </figure>
    <WideContent :label="`Pages of ${traffic.site.name}`"
      ><OrderedTable
        :name="`pages-${traffic.site.id}`"
        :columns="PAGES"
        :rows="traffic.pages"
        :key-of="({ page }) => page"
        :is-plain="isPlain"
      >
        <template #change="{ row }"><CountChangeText v-if="row.change" :change="row.change" /></template></OrderedTable
    ></WideContent>
    <p class="quiet small">
      {{
        traffic.allPages > traffic.pages.length
          ? `The ${traffic.pages.length} most viewed of ${count(traffic.allPages)} pages. `
          : ''
      }}Figures of pages are {{ ofWhom }}. Different visitors are never added over days: somebody who comes twice is one
      person, so bounds stand there. The mean time is over the views of which the time is known.
    </p>
    <WideContent v-if="traffic.sources.length" :label="`Sources of ${traffic.site.name}`"
      ><OrderedTable
        :name="`sources-${traffic.site.id}`"
        :columns="SOURCES"
        :rows="traffic.sources"
        :key-of="({ source, medium }) => `${source} ${medium}`"
        :is-plain="isPlain"
      >
        <template #change="{ row }"><CountChangeText v-if="row.change" :change="row.change" /></template></OrderedTable
    ></WideContent>
  </div>
</template>

<style scoped>
.heads {
  display: flex;
  gap: 34px;
  flex-wrap: wrap;
  margin: 4px 0 10px;
}
dt {
  color: var(--ink2);
  font-size: var(--text-label);
}
dd:nth-of-type(1) {
  font: 600 1.5rem/1.25 var(--serif);
}
dd {
  font-size: var(--text-small);
}
svg {
  width: 100%;
  height: 90px;
  border-bottom: 1px solid var(--rule2);
}
path {
  fill: none;
  stroke: var(--series);
  stroke-width: 2;
}
.small {
  font-size: var(--text-small);
  margin: 4px 0 12px;
}
</style>
