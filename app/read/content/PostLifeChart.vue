<script setup lang="ts">
/** How a figure of a post came, beside the middle half of the others of its kind; the table of it one key away. */
import { formatCount, oneDecimal } from '~~/core/format/numbers'
import { valueAtAge } from '~~/core/posts/buildUp'
import type { PostLife } from '~~/shared/read/post'
import { axisOf } from '~/figures/charts/lineDrawing'
import { AGE_MARKS, bandOutline, lifeStrokes, placeOfAge } from './lifePlaces'

const props = defineProps<{ life: PostLife; name: string; kind: string }>()
const locale = useLocale()
const [WIDTH, HEIGHT] = [700, 190]
const WEEK = 168
const last = computed(() => Math.max(WEEK, Math.min(672, props.life.points.at(-1)?.hours ?? 0)))
const marks = computed(
  () =>
    axisOf([1, ...props.life.points.map(({ value }) => value), ...props.life.usual.map(({ upper }) => upper)], false)
      .marks,
)
const scale = computed(() => ({ last: last.value, most: marks.value.at(-1)!, width: WIDTH, height: HEIGHT }))
const x = (hours: number) => placeOfAge(hours, last.value) * WIDTH
const y = (value: number) => HEIGHT - (value / scale.value.most) * HEIGHT
const ages = computed(() => AGE_MARKS.filter(({ hours }) => hours <= last.value))
const middle = computed(() =>
  props.life.usual
    .map(({ hours, middle: value }, index) => `${index === 0 ? 'M' : 'L'}${x(hours).toFixed(1)} ${y(value).toFixed(1)}`)
    .join(''),
)
const half = computed(() => {
  const { half: reached, points } = props.life
  return reached && reached.low === reached.high ? { hours: reached.low, value: points.at(-1)!.value / 2 } : undefined
})
const hoursText = (hours: number) =>
  hours < 48 ? `${oneDecimal(hours, locale)} hours` : `${oneDecimal(hours / 24, locale)} days`
const halfText = computed(() => {
  const { half: reached } = props.life
  if (!reached) return ''
  return reached.low === reached.high
    ? `half of it after ${hoursText(reached.low)}`
    : reached.low === 0
      ? `half of it within its first ${hoursText(reached.high)}: nobody looked earlier`
      : `half of it at some time between ${hoursText(reached.low)} and ${hoursText(reached.high)}: nobody looked in between`
})
const rows = computed(() =>
  ages.value.map(({ hours, label }) => ({
    hours,
    label,
    own: valueAtAge(props.life.points, hours),
    usual: props.life.usual.find((band) => band.hours === hours),
  })),
)
const say = (value: number | undefined) => (value === undefined ? '—' : formatCount(Math.round(value), locale))
type Row = (typeof rows.value)[number]
const COLUMNS = computed(() => [
  {
    key: 'age',
    label: 'After',
    isWords: true,
    valueOf: ({ hours }: Row) => hours,
    textOf: ({ label }: Row): string => label,
  },
  {
    key: 'own',
    label: props.name,
    isFigure: true,
    valueOf: ({ own }: Row) => own ?? -1,
    textOf: ({ own }: Row) => say(own),
  },
  {
    key: 'usual',
    label: 'Median of others',
    isFigure: true,
    valueOf: ({ usual }: Row) => usual?.middle ?? -1,
    textOf: ({ usual }: Row) => say(usual?.middle),
  },
  {
    key: 'half',
    label: 'Middle half',
    isFigure: true,
    valueOf: ({ usual }: Row) => (usual ? usual.upper - usual.lower : -1),
    textOf: ({ usual }: Row) => (usual ? `${say(usual.lower)} to ${say(usual.upper)}` : '—'),
  },
  { key: 'known', label: 'Others known', isFigure: true, valueOf: ({ usual }: Row) => usual?.posts ?? 0 },
])
</script>

<template>
  <div>
    <svg
      class="plotted"
      :viewBox="`-52 -14 ${WIDTH + 70} ${HEIGHT + 40}`"
      role="img"
      :aria-label="`${name} over the life of the post: ${say(life.points.at(-1)?.value)} so far, ${halfText}`"
    >
      <g v-for="mark in marks" :key="mark">
        <line class="rule" :x1="0" :x2="WIDTH" :y1="y(mark)" :y2="y(mark)" />
        <text class="mark" x="-8" :y="y(mark) + 4" text-anchor="end">{{ say(mark) }}</text>
      </g>
      <g v-for="age in ages" :key="age.hours">
        <line class="rule" :x1="x(age.hours)" :x2="x(age.hours)" y1="0" :y2="HEIGHT" />
        <text class="mark" :x="x(age.hours)" :y="HEIGHT + 18" text-anchor="middle">{{ age.label }}</text>
      </g>
      <path class="band" :d="bandOutline(life.usual, scale)" />
      <path class="usual" :d="middle" />
      <path class="own" :d="lifeStrokes(life.points, scale)" />
      <g v-if="half">
        <line class="half" :x1="x(half.hours)" :x2="x(half.hours)" :y1="y(half.value)" :y2="HEIGHT" />
        <circle :cx="x(half.hours)" :cy="y(half.value)" r="4.5" />
      </g>
    </svg>
    <TableBehind
      name="ages"
      :columns="COLUMNS"
      :rows="rows"
      :key-of="({ hours }) => hours"
      show="As a table"
      hide="Hide the table"
    >
      <span class="key-own" aria-hidden="true" /> this post<template v-if="halfText">, {{ halfText }}</template>
      <template v-if="life.usual.length"
        ><span class="key-usual" aria-hidden="true" /> the profile’s median {{ kind }}, the band holds half of them.
      </template>
      <template v-else>. Too few other posts of its kind were looked at to say what is usual.</template>
      Where nobody has looked, there is no line.
    </TableBehind>
  </div>
</template>

<style scoped>
svg {
  max-height: 300px;
}
.half {
  stroke: var(--series);
  stroke-width: 1.2;
}
circle {
  fill: var(--series);
}
</style>
