<script setup lang="ts">
/** Reviews month by month: how many, and the mean of their stars, each on its own ground. */
import { formatCount } from '~~/core/format/numbers'
import type { ReviewsView } from '~~/shared/read/reviews'

const props = defineProps<{ months: ReviewsView['months'] }>()
const locale = useLocale()
type Month = ReviewsView['months'][number]
const [WIDTH, HEIGHT, BELOW] = [700, 90, 50]
const step = computed(() => WIDTH / props.months.length)
const x = (index: number) => (index + 0.5) * step.value
const y = (mean: number) => HEIGHT - ((mean - 1) / 4) * HEIGHT
const most = computed(() => Math.max(1, ...props.months.map(({ reviews }) => reviews)))
const two = (value: number) =>
  new Intl.NumberFormat(locale, { minimumFractionDigits: 2, maximumFractionDigits: 2 }).format(value)
const nameOf = (month: string) =>
  new Intl.DateTimeFormat(locale, { month: 'short', year: '2-digit', timeZone: 'UTC' }).format(
    new Date(`${month}-01T00:00:00Z`),
  )
/** A line between months that have a mean; one without parts it. */
const line = computed(() => {
  let isOn = false
  return props.months
    .map(({ mean }, index) => {
      if (mean === undefined) return ((isOn = false), '')
      const text = `${isOn ? 'L' : 'M'}${x(index).toFixed(1)} ${y(mean).toFixed(1)}`
      isOn = true
      return text
    })
    .join('')
})
const said = computed(() => {
  const known = props.months.filter(({ mean }) => mean !== undefined)
  const [first, last] = [known[0], known.at(-1)]
  return first && last
    ? `Mean of the stars by month, ${two(first.mean!)} in ${nameOf(first.month)} and ${two(last.mean!)} in ${nameOf(last.month)}`
    : 'No reviews in these months'
})
const COLUMNS = [
  {
    key: 'month',
    label: 'Month',
    isWords: true,
    valueOf: ({ month }: Month) => month,
    textOf: ({ month }: Month) => nameOf(month),
  },
  {
    key: 'reviews',
    label: 'Reviews',
    isFigure: true,
    valueOf: ({ reviews }: Month) => reviews,
    textOf: ({ reviews }: Month) => formatCount(reviews, locale),
  },
  {
    key: 'mean',
    label: 'Mean',
    isFigure: true,
    valueOf: ({ mean }: Month) => mean ?? -1,
    textOf: ({ mean }: Month) => (mean === undefined ? '—' : two(mean)),
  },
]
</script>

<template>
  <div>
    <svg class="plotted" :viewBox="`-40 -12 ${WIDTH + 50} ${HEIGHT + BELOW + 34}`" role="img" :aria-label="said">
      <g v-for="stars in [1, 2, 3, 4, 5]" :key="stars">
        <line class="rule" x1="0" :x2="WIDTH" :y1="y(stars)" :y2="y(stars)" />
        <text class="mark" x="-8" :y="y(stars) + 4" text-anchor="end">{{ stars }} ★</text>
      </g>
      <path class="own" :d="line" />
      <g v-for="({ month, reviews, mean }, index) in months" :key="month">
        <circle v-if="mean !== undefined" class="dot" :cx="x(index)" :cy="y(mean)" r="3.5" />
        <rect
          class="bar"
          :x="x(index) - step * 0.3"
          :width="step * 0.6"
          :y="HEIGHT + 12 + (BELOW - 12) * (1 - reviews / most)"
          :height="((BELOW - 12) * reviews) / most"
        />
        <text class="mark" :x="x(index)" :y="HEIGHT + BELOW + 16" text-anchor="middle">{{ nameOf(month) }}</text>
      </g>
    </svg>
    <TableBehind
      name="months"
      :columns="COLUMNS"
      :rows="months"
      :key-of="({ month }) => month"
      show="Months as a table"
      hide="Hide the months"
    >
      The line is the mean of the stars, the bars are how many reviews there were; the last month goes up to the end of
      the period.
    </TableBehind>
  </div>
</template>

<style scoped>
svg {
  max-height: 210px;
}
.dot {
  fill: var(--series);
}
.bar {
  fill: var(--range);
}
</style>
