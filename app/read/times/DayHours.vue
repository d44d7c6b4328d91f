<script setup lang="ts">
/** One day hour by hour: the audience above, and how posts of each hour did, with the interval, below. */
import { formatSignedShare } from '~~/core/format/numbers'
import { hourName, slotName, WEEKDAYS } from '~~/core/times/slots'
import type { TimesView } from '~~/shared/read/times'
import { slotByKey, slotWords } from './weekPlaces'

const props = defineProps<{ view: TimesView; lines: 'there' | 'arrive'; day: number }>()
const chosen = defineModel<number | undefined>()
const locale = useLocale()
const [WIDTH, TALL, LIFTS] = [660, 130, 190]
const x = (hour: number) => (hour / 24) * WIDTH
const hours = computed(() =>
  Array.from({ length: 24 }, (_, hour) => {
    const slot = props.day * 24 + hour
    return {
      slot,
      hour,
      value:
        (props.lines === 'there' ? props.view.there?.slots[slot]?.ofFullest : props.view.arrivals?.slots[slot]) ?? null,
      lift: props.view.lifts[slot]!.lift,
      posts: props.view.lifts[slot]!.posts,
    }
  }),
)
const most = computed(() =>
  Math.max(
    1e-9,
    ...(props.lines === 'there'
      ? (props.view.there?.slots ?? []).map((slot) => slot?.ofFullest ?? 0)
      : (props.view.arrivals?.slots ?? [])),
  ),
)
/** Lifts are drawn on the scale of the whole week, so that days can be compared. */
const scale = computed(() => {
  const all = props.view.lifts.flatMap(({ lift }) => (lift ? [lift.low, lift.high] : []))
  const [low, high] = [Math.min(-0.2, ...all), Math.max(0.2, ...all)]
  return (value: number) => 16 + ((high - value) / (high - low)) * (LIFTS - 32)
})
const signed = (share: number) => formatSignedShare(share, locale)
const current = computed(() => {
  const slot = chosen.value
  return slot !== undefined && Math.floor(slot / 24) === props.day ? slot : props.day * 24 + 12
})
function step(event: KeyboardEvent) {
  const slot = slotByKey(current.value, event.key)
  if (slot === undefined) return
  event.preventDefault()
  chosen.value = slot
}
</script>

<template>
  <svg
    class="plotted"
    :viewBox="`-92 -12 ${WIDTH + 106} ${TALL + LIFTS + 40}`"
    role="slider"
    tabindex="0"
    :aria-label="`${WEEKDAYS[day]}, hour by hour: arrows go from slot to slot`"
    aria-valuemin="0"
    aria-valuemax="167"
    :aria-valuenow="current"
    :aria-valuetext="slotWords(view, current, locale)"
    @keydown="step"
  >
    <text class="mark" x="-8" :y="TALL" text-anchor="end">{{ lines === 'there' ? 'There' : 'Arrive' }}</text>
    <text class="mark" x="-8" :y="TALL + scale(0) + 4" text-anchor="end">usual</text>
    <g v-for="each in hours" :key="each.slot" class="hour" @click="chosen = each.slot">
      <rect
        class="ground"
        :class="{ chosen: each.slot === current }"
        :x="x(each.hour)"
        y="0"
        :width="x(1)"
        :height="TALL + LIFTS"
      />
      <rect
        v-if="each.value !== null"
        class="there"
        :x="x(each.hour)"
        :y="TALL - (each.value / most) * (TALL - 8)"
        :width="x(1) - 1"
        :height="(each.value / most) * (TALL - 8)"
      />
      <g v-if="each.lift" :transform="`translate(${x(each.hour + 0.5)} ${TALL})`">
        <line class="range" x1="0" x2="0" :y1="scale(each.lift.high)" :y2="scale(each.lift.low)" />
        <line class="at" x1="-7" x2="7" :y1="scale(each.lift.value)" :y2="scale(each.lift.value)" />
      </g>
      <title>
        {{ slotName(each.slot) }}: {{ each.posts }} posts{{ each.lift ? `, ${signed(each.lift.value)}` : '' }}
      </title>
    </g>
    <line class="usual" x1="0" :x2="WIDTH" :y1="TALL + scale(0)" :y2="TALL + scale(0)" />
    <line class="rule" x1="0" :x2="WIDTH" :y1="TALL" :y2="TALL" />
    <text
      v-for="hour in [0, 3, 6, 9, 12, 15, 18, 21, 24]"
      :key="hour"
      class="mark"
      :x="x(hour)"
      :y="TALL + LIFTS + 18"
      text-anchor="middle"
    >
      {{ hourName(hour) }}
    </text>
  </svg>
</template>

<style scoped>
.hour {
  cursor: pointer;
}
.ground {
  fill: transparent;
}
.ground.chosen {
  stroke: var(--zaffer);
  stroke-dasharray: 3 2;
}
.there {
  fill: var(--wash);
  stroke: var(--series);
}
.range {
  stroke: var(--range);
  stroke-width: 9;
}
.at {
  stroke: var(--zaffer);
  stroke-width: 2;
}
</style>
