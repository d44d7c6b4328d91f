<script setup lang="ts">
/** How far a video was watched, beside the others of its kind, and where it lost people; the table one key away. */
import { formatCount, oneDecimal } from '~~/core/format/numbers'
import type { PostRetention } from '~~/shared/read/post'

const props = defineProps<{ retention: PostRetention; kind: string }>()
const locale = useLocale()
const [WIDTH, HEIGHT] = [700, 170]
const begun = computed(() => Math.max(1, props.retention.points[0]!.plays))
const shares = computed(() => props.retention.points.map(({ at, plays }) => ({ at, share: plays / begun.value })))
const most = computed(() => Math.max(1, ...shares.value.map(({ share }) => Math.ceil(share * 4) / 4)))
const marks = computed(() => Array.from({ length: Math.round(most.value * 4) + 1 }, (_, quarter) => quarter / 4))
const x = (at: number) => (at / 100) * WIDTH
const y = (share: number) => HEIGHT - (share / most.value) * HEIGHT
const line = (points: readonly { at: number; share: number }[]) =>
  points.map(({ at, share }, index) => `${index === 0 ? 'M' : 'L'}${x(at).toFixed(1)} ${y(share).toFixed(1)}`).join('')
const usual = computed(
  () =>
    props.retention.usual?.shares.map((share, index) => ({
      at: (index * 100) / (props.retention.usual!.shares.length - 1),
      share,
    })) ?? [],
)
const percent = (share: number) => `${oneDecimal(share * 100, locale)} %`
/** A place in the video, as a time where its length is known. */
function place(at: number): string {
  const { length } = props.retention
  if (length === null) return `${oneDecimal(at, locale)} %`
  const seconds = Math.round((length * at) / 100)
  return `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`
}
const losses = computed(() => props.retention.reading?.losses ?? [])
const said = computed(() => {
  const { reading, usual: { seen: usualSeen } = {} } = props.retention
  if (!reading)
    return `It was begun ${formatCount(props.retention.points[0]!.plays, locale)} times: too few to say where people leave.`
  return (
    `${percent(reading.seen)} of it was seen on average, of all who began it` +
    (usualSeen === undefined ? '. ' : ` (${percent(usualSeen)} of the profile’s median ${props.kind}). `) +
    (reading.half === undefined
      ? 'More than half of them were still there at the end. '
      : `Half of them had left after ${place(reading.half)}. `) +
    (losses.value.length === 0 ? 'They left evenly: no place stands out' : '') +
    losses.value
      .map(
        ({ from, to, plays, share }, index) =>
          `${index === 0 ? 'Most were lost' : 'then'} between ${place(from)} and ${place(to)}: ` +
          `${formatCount(plays, locale)} of ${formatCount(begun.value, locale)}, ${percent(share)}`,
      )
      .join('; ') +
    '.'
  )
})
type Row = { at: number; share: number; plays: number; usual?: number }
const rows = computed<Row[]>(() =>
  props.retention.points.map(({ at, plays }) => ({
    at,
    plays,
    share: plays / begun.value,
    usual: usual.value.find((point) => point.at === at)?.share,
  })),
)
const COLUMNS = computed(() => [
  { key: 'place', label: 'Place', isWords: true, valueOf: ({ at }: Row) => at, textOf: ({ at }: Row) => place(at) },
  {
    key: 'at',
    label: 'Of its length',
    isFigure: true,
    valueOf: ({ at }: Row) => at,
    textOf: ({ at }: Row) => `${at} %`,
  },
  {
    key: 'plays',
    label: 'Still on',
    isFigure: true,
    valueOf: ({ plays }: Row) => plays,
    textOf: ({ plays }: Row) => formatCount(plays, locale),
  },
  {
    key: 'share',
    label: 'Of all who began it',
    isFigure: true,
    valueOf: ({ share }: Row) => share,
    textOf: ({ share }: Row) => percent(share),
  },
  {
    key: 'usual',
    label: 'Median of others',
    isFigure: true,
    valueOf: ({ usual: of }: Row) => of ?? -1,
    textOf: ({ usual: of }: Row) => (of === undefined ? '—' : percent(of)),
  },
])
</script>

<template>
  <div>
    <svg class="plotted" :viewBox="`-52 -14 ${WIDTH + 70} ${HEIGHT + 40}`" role="img" :aria-label="said">
      <rect
        v-for="{ from, to } in losses"
        :key="from"
        class="band"
        :x="x(from)"
        y="0"
        :width="x(to) - x(from)"
        :height="HEIGHT"
      />
      <g v-for="mark in marks" :key="mark">
        <line class="rule" :x1="0" :x2="WIDTH" :y1="y(mark)" :y2="y(mark)" />
        <text class="mark" x="-8" :y="y(mark) + 4" text-anchor="end">{{ mark * 100 }} %</text>
      </g>
      <text v-for="at in [0, 25, 50, 75, 100]" :key="at" class="mark" :x="x(at)" :y="HEIGHT + 18" text-anchor="middle">
        {{ place(at) }}
      </text>
      <path v-if="usual.length" class="usual" :d="line(usual)" />
      <path class="own" :d="line(shares)" />
    </svg>
    <p>{{ said }}</p>
    <TableBehind
      name="places"
      :columns="COLUMNS"
      :rows="rows"
      :key-of="({ at }) => at"
      show="Places as a table"
      hide="Hide the places"
    >
      <span class="key-own" aria-hidden="true" /> this {{ kind
      }}<template v-if="retention.usual"
        ><span class="key-usual" aria-hidden="true" /> the median of {{ retention.usual.posts }} others of the profile,
        place by place.</template
      ><template v-else>; too few others of its kind are known to say what is usual.</template
      ><template v-if="losses.length">{{ ' ' }}Shaded: where most left.</template>
    </TableBehind>
  </div>
</template>

<style scoped>
svg {
  max-height: 270px;
}
</style>
