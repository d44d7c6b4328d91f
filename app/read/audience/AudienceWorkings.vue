<script setup lang="ts">
/** In the margin: how a part of the audience came about, and what it was over the weeks of the period. */
import { AUDIENCE_BASES } from '~~/core/breakdowns/audienceBreakdowns'
import { formatCount, formatShare } from '~~/core/format/numbers'
import { describeDay } from '~~/core/periods/describePeriod'
import type { AudienceLine, AudiencePart, FacetView } from '~~/shared/read/audience'

const props = defineProps<{ view: FacetView; part: AudiencePart }>()
const locale = useLocale()
const { slug, base } = useClient()
const { address } = useScope()
const asked = computed(() => ({ ...address.value, facet: props.view.facet, part: props.part.part }))
const { data } = useQuery({
  key: () => ['audience', slug.value, 'over time', asked.value],
  query: () => api<AudienceLine[]>(`${base.value}/audience/over-time`, { query: asked.value }),
})
const rows = computed(() =>
  AUDIENCE_BASES.flatMap(({ id, name, words }) => {
    const people = props.part.counts[id]
    const total = props.view.totals[id]
    return people === undefined || !total ? [] : [{ id, name, words, people, of: total.known }]
  }),
)
const nameOf = (id: string) => AUDIENCE_BASES.find((each) => each.id === id)!.name
const [WIDTH, HEIGHT] = [220, 60]
const most = computed(() => Math.max(0.01, ...(data.value ?? []).flatMap(({ points }) => points.map((p) => p.share))))
const path = ({ points }: AudienceLine) =>
  points
    .map(
      ({ share }, index) =>
        `${index === 0 ? 'M' : 'L'}${((index / Math.max(1, points.length - 1)) * WIDTH).toFixed(1)} ` +
        `${(HEIGHT - (share / most.value) * HEIGHT).toFixed(1)}`,
    )
    .join('')
</script>

<template>
  <section aria-live="polite">
    <h2>Workings: {{ part.name }}</h2>
    <dl>
      <template v-for="row in rows" :key="row.id"
        ><dt>{{ row.name }}, of {{ formatCount(Math.round(row.of), locale) }}</dt>
        <dd>{{ formatCount(Math.round(row.people), locale) }}</dd>
        <dt>Share</dt>
        <dd>{{ formatShare(row.people / row.of, locale) }}</dd></template
      >
      <template v-if="part.index"
        ><dt><b>Index: responded against follow</b></dt>
        <dd>
          <b>{{ Math.round(part.index.value) }}</b>
        </dd></template
      >
    </dl>
    <p v-if="part.index" class="quiet">
      How often they are among those who responded, beside how often they are among those who follow. Between
      {{ formatCount(part.index.low, locale, 'down') }} and {{ formatCount(part.index.high, locale, 'up') }} with 95 %.
    </p>
    <template v-if="data && data.some(({ points }) => points.length > 1)">
      <h2>Over the period</h2>
      <svg
        :viewBox="`-2 -4 ${WIDTH + 4} ${HEIGHT + 8}`"
        role="img"
        :aria-label="
          data
            .map(
              ({ base: id, points }) =>
                `${nameOf(id)}: ${formatShare(points[0]!.share, locale)} on ${describeDay(points[0]!.day)}, ` +
                `${formatShare(points.at(-1)!.share, locale)} on ${describeDay(points.at(-1)!.day)}`,
            )
            .join('; ')
        "
      >
        <path v-for="(line, index) in data" :key="line.base" :d="path(line)" :class="`line-${index}`" />
      </svg>
      <p v-for="(line, index) in data" :key="line.base" class="quiet">
        <span :class="`key key-${index}`" aria-hidden="true" /> {{ nameOf(line.base) }}:
        {{ formatShare(line.points[0]!.share, locale) }} on {{ describeDay(line.points[0]!.day) }},
        {{ formatShare(line.points.at(-1)!.share, locale) }} on {{ describeDay(line.points.at(-1)!.day) }}
      </p>
    </template>
    <p v-else-if="data" class="quiet">Choose a longer period to see how it changed: networks count on Sundays.</p>
  </section>
</template>

<style scoped>
path {
  fill: none;
  stroke-width: 2;
}
.line-0 {
  stroke: var(--earlier);
}
.line-1 {
  stroke: var(--zaffer);
  stroke-dasharray: 5 3;
}
.line-2 {
  stroke: var(--series-3);
  stroke-dasharray: 2 3;
}
.key {
  display: inline-block;
  width: 14px;
  vertical-align: middle;
}
.key-0 {
  border-top: 2px solid var(--earlier);
}
.key-1 {
  border-top: 2px dashed var(--zaffer);
}
.key-2 {
  border-top: 2px dotted var(--series-3);
}
</style>
