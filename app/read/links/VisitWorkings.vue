<script setup lang="ts">
/** In the margin: how the clicks of a link came, by day, by hour, and from where. */
import { formatCount, formatShare } from '~~/core/format/numbers'
import { describeDay } from '~~/core/periods/describePeriod'
import type { LinkView, VisitDetail, VisitPart } from '~~/shared/read/links'

const props = defineProps<{ link: LinkView }>()
const locale = useLocale()
const { slug, base } = useClient()
const { address } = useScope()
const { data, error } = useQuery({
  key: () => ['links', slug.value, props.link.id, address.value],
  query: () => api<VisitDetail>(`${base.value}/links/${props.link.id}`, { query: address.value }),
})
const count = (value: number) => formatCount(value, locale)
const requests = computed(() => {
  const { people, robots, prefetches } = data.value!.counts
  return people + robots + prefetches
})
const [WIDTH, HEIGHT] = [220, 54]
const bars = (values: readonly number[]) => {
  const most = Math.max(1, ...values)
  const step = WIDTH / values.length
  return values
    .map((value, index) => `M${(index * step).toFixed(1)} ${HEIGHT}v${(-(value / most) * HEIGHT).toFixed(1)}`)
    .join('')
}
const thick = (many: number) => Math.max(0.6, (WIDTH / many) * 0.7)
const fullest = computed(() => {
  const hours = data.value?.hours ?? []
  const most = Math.max(...hours)
  return most > 0 ? { hour: hours.indexOf(most), visits: most } : undefined
})
const best = computed(() => {
  const days = data.value?.days ?? []
  return days.reduce<(typeof days)[number] | undefined>(
    (found, day) => (day.visits > (found?.visits ?? 0) ? day : found),
    undefined,
  )
})
const FACETS: { id: VisitPart['facet']; name: string }[] = [
  { id: 'referrer', name: 'The site before' },
  { id: 'country', name: 'Country' },
  { id: 'page', name: 'Followed on a public page' },
]
const MOST = 8
const partsOf = (facet: VisitPart['facet']) => (data.value?.parts ?? []).filter((part) => part.facet === facet)
</script>

<template>
  <section aria-live="polite">
    <h2>Workings: {{ link.name }}</h2>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <p v-else-if="!data" class="quiet">Fetching …</p>
    <template v-else>
      <dl>
        <dt>Asked for</dt>
        <dd>{{ count(requests) }}</dd>
        <dt>− by programs that say so</dt>
        <dd>{{ count(data.counts.robots) }}</dd>
        <dt>− fetched ahead of a click</dt>
        <dd>{{ count(data.counts.prefetches) }}</dd>
        <dt><b>= clicks of people</b></dt>
        <dd>
          <b>{{ count(data.counts.people) }}</b>
        </dd>
      </dl>
      <template v-if="data.counts.people > 0">
        <h3>By day</h3>
        <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="img" :aria-label="`Most on ${describeDay(best!.day)}`">
          <path :d="bars(data.days.map(({ visits }) => visits))" :stroke-width="thick(data.days.length)" />
        </svg>
        <p class="quiet">Most on {{ describeDay(best!.day) }}: {{ count(best!.visits) }}</p>
        <h3>By hour of the day</h3>
        <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" role="img" :aria-label="`Most from ${fullest!.hour}:00`">
          <path :d="bars(data.hours)" :stroke-width="thick(24)" />
        </svg>
        <p class="quiet">
          0:00 to 24:00; most from {{ fullest!.hour }}:00 to {{ fullest!.hour + 1 }}:00: {{ count(fullest!.visits) }}
        </p>
        <template v-for="facet in FACETS" :key="facet.id">
          <template v-if="partsOf(facet.id).length">
            <h3>{{ facet.name }}</h3>
            <dl>
              <template v-for="part in partsOf(facet.id).slice(0, MOST)" :key="part.part">
                <dt>{{ part.name }}</dt>
                <dd>
                  {{ count(part.visits) }}
                  <span class="quiet">{{ formatShare(part.visits / data.counts.people, locale) }}</span>
                </dd>
              </template>
            </dl>
            <p v-if="partsOf(facet.id).length > MOST" class="quiet">and {{ partsOf(facet.id).length - MOST }} more</p>
          </template>
        </template>
        <p class="quiet">Shares are of all clicks of people.</p>
      </template>
    </template>
  </section>
</template>

<style scoped>
h3 {
  font-size: var(--text-small);
  color: var(--ink2);
  margin: 12px 0 3px;
}
dt {
  overflow-wrap: anywhere;
}
path {
  stroke: var(--series);
}
svg {
  border-bottom: 1px solid var(--rule2);
}
</style>
