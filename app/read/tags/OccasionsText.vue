<script setup lang="ts">
/** Occasions laid over each other: what their posts have brought by the days around them. */
import { formatCount, formatShare } from '~~/core/format/numbers'
import { describeDay, describePeriodShort } from '~~/core/periods/describePeriod'
import type { Occasion } from '~~/core/tags/occasions'
import { axisOf } from '~/figures/charts/lineDrawing'
import type { Occasions } from '~~/shared/read/occasionsBlock'

const props = defineProps<{ occasions: Occasions; isPlain?: boolean }>()
const locale = useLocale()
const [WIDTH, HEIGHT] = [700, 170]
const all = computed(() => props.occasions.occasions)
const marks = computed(
  () => axisOf([1, ...all.value.flatMap(({ soFar }) => soFar.map(({ interactions }) => interactions))], false).marks,
)
const x = (day: number) =>
  ((day + props.occasions.before) / Math.max(1, props.occasions.before + props.occasions.after)) * WIDTH
const y = (value: number) => HEIGHT - (value / marks.value.at(-1)!) * HEIGHT
const pathOf = ({ soFar }: Occasion) =>
  soFar
    .map(
      ({ day, interactions }, index) => `${index === 0 ? 'M' : 'L'}${x(day).toFixed(1)} ${y(interactions).toFixed(1)}`,
    )
    .join('')
const DASHES = ['', '7 3', '3 3', '9 3 2 3', '1 3', '5 5']
const ages = computed(() => {
  const { before, after } = props.occasions
  return [...new Set([-before, -Math.round(before / 2), 0, after])].sort((a, b) => a - b)
})
const dayWords = (day: number) =>
  day === 0 ? 'the day' : `${Math.abs(day)} ${Math.abs(day) === 1 ? 'day' : 'days'} ${day < 0 ? 'before' : 'after'}`
const count = (value: number | undefined) => (value === undefined ? '—' : formatCount(Math.round(value), locale))
const drawingLabel = computed(
  () =>
    `Interactions of the posts up to each day around ${all.value.map(({ on }) => describeDay(on)).join(' and ')}: ` +
    'the table below has the sums',
)
const COLUMNS = [
  { key: 'on', label: 'Occasion', isWords: true, valueOf: ({ on }: Occasion) => on },
  { key: 'posts', label: 'Posts', isFigure: true, valueOf: ({ posts }: Occasion) => posts },
  {
    key: 'interactions',
    label: 'Interactions',
    isFigure: true,
    valueOf: ({ interactions }: Occasion) => interactions?.sum ?? -1,
    textOf: ({ interactions }: Occasion) => count(interactions?.sum),
  },
  {
    key: 'impressions',
    label: 'Impressions',
    isFigure: true,
    valueOf: ({ impressions }: Occasion) => impressions?.sum ?? -1,
    textOf: ({ impressions }: Occasion) => count(impressions?.sum),
  },
  {
    key: 'rate',
    label: 'Interactions for each impression',
    isFigure: true,
    valueOf: ({ rate }: Occasion) => rate?.low ?? -1,
  },
  {
    key: 'middle',
    label: 'Median post, interactions',
    isFigure: true,
    valueOf: ({ middle }: Occasion) => middle ?? -1,
    textOf: ({ middle }: Occasion) => count(middle),
  },
]
</script>

<template>
  <p v-if="!occasions.tag" class="quiet">Choose a tag, and the days on which its occasion was.</p>
  <p v-else-if="all.length === 0" class="quiet">Choose the days on which it was: this year’s, and the year’s before.</p>
  <div v-else>
    <svg :viewBox="`-58 -14 ${WIDTH + 110} ${HEIGHT + 40}`" role="img" :aria-label="drawingLabel">
      <g v-for="mark in marks" :key="mark">
        <line class="rule" x1="0" :x2="WIDTH" :y1="y(mark)" :y2="y(mark)" />
        <text class="mark" x="-8" :y="y(mark) + 4" text-anchor="end">{{ count(mark) }}</text>
      </g>
      <g v-for="age in ages" :key="age">
        <line class="rule" :x1="x(age)" :x2="x(age)" y1="0" :y2="HEIGHT" />
        <text class="mark" :x="x(age)" :y="HEIGHT + 18" text-anchor="middle">{{ dayWords(age) }}</text>
      </g>
      <g v-for="(occasion, index) in all" :key="occasion.on">
        <path
          :d="pathOf(occasion)"
          :style="{ stroke: `var(--series-${1 + (index % 8)})`, strokeDasharray: DASHES[index % DASHES.length] }"
        />
        <text
          v-if="occasion.soFar.length"
          class="label"
          :x="x(occasion.soFar.at(-1)!.day) + 5"
          :y="y(occasion.soFar.at(-1)!.interactions) + 4"
        >
          {{ occasion.on.slice(0, 4) }}
        </text>
      </g>
    </svg>
    <OrderedTable name="occasion-order" :columns="COLUMNS" :rows="all" :key-of="({ on }) => on" :is-plain="isPlain">
      <template #on="{ row }"
        ><b>{{ describeDay(row.on) }}</b> <span class="quiet">{{ describePeriodShort(row.period) }}</span></template
      >
      <template #rate="{ row }"
        ><template v-if="row.rate"
          >{{ formatShare(row.rate.value, locale) }}
          <span class="quiet"
            >{{ formatShare(row.rate.low, locale, 'down') }} to {{ formatShare(row.rate.high, locale, 'up') }}</span
          ></template
        ><template v-else>—</template></template
      >
    </OrderedTable>
    <p class="quiet small">
      Posts tagged “{{ occasions.tag.name }}”, from {{ occasions.before }} days before to {{ occasions.after }} days
      after each day. The line shows what the posts published up to a day have brought until now; a young post is still
      gathering.
    </p>
  </div>
</template>

<style scoped>
svg {
  width: 100%;
  max-height: 260px;
}
.rule {
  stroke: var(--rule);
}
.mark,
.label {
  font-size: 12.5px;
  fill: var(--ink3);
}
.label {
  fill: var(--ink);
  font-weight: 600;
}
path {
  fill: none;
  stroke-width: 2.2;
}
.small {
  font-size: var(--text-small);
  margin-top: 4px;
}
</style>
