<script setup lang="ts">
/** A week hour by hour: a line for each day, posts as marks on it, suggested slots with their numbers. */
import { hourName, slotName, WEEKDAYS } from '~~/core/times/slots'
import type { TimesView } from '~~/shared/read/times'
import { dayLine, dayY, heightOf, hourX, markPlace, markRadius, slotAt, slotByKey, slotWords, WEEK } from './weekPlaces'

const props = defineProps<{
  view: TimesView
  /** Which kind of evidence the lines are. */ lines: 'there' | 'arrive'
  isPlain?: boolean
}>()
const chosen = defineModel<number | undefined>()
const locale = useLocale()
const values = computed<(number | null)[]>(() =>
  props.lines === 'there'
    ? (props.view.there?.slots.map((slot) => slot?.ofFullest ?? null) ?? [])
    : (props.view.arrivals?.slots ?? []),
)
const most = computed(() => Math.max(0, ...values.value.map((value) => value ?? 0)))
const days = computed(() => WEEKDAYS.map((_, day) => dayLine(values.value, day, most.value)))
const numbers = computed(() =>
  props.view.suggestions.map(({ slot }, index) => ({
    slot,
    number: index + 1,
    x: hourX((slot % 24) + 0.5),
    y: dayY(Math.floor(slot / 24)) - Math.max(0, heightOf(values.value[slot] ?? 0, most.value)),
  })),
)
const current = computed(() => chosen.value ?? props.view.suggestions[0]?.slot ?? 0)
const said = computed(() => slotWords(props.view, current.value, locale))
const place = ref<SVGSVGElement>()
function choose({ clientX, clientY }: MouseEvent) {
  const box = place.value?.getBoundingClientRect()
  if (!box || props.isPlain) return
  const scale = (WEEK.width + WEEK.left + 14) / box.width
  chosen.value = slotAt((clientX - box.left) * scale - WEEK.left, (clientY - box.top) * scale - WEEK.top)
}
function step(event: KeyboardEvent) {
  const slot = slotByKey(current.value, event.key)
  if (slot === undefined) return
  event.preventDefault()
  chosen.value = slot
}
const asSlider = computed(() =>
  props.isPlain
    ? { 'role': 'img', 'aria-label': `The week, hour by hour. ${said.value}` }
    : {
        'role': 'slider',
        'tabindex': 0,
        'aria-label': 'The week, hour by hour: arrows go from slot to slot',
        'aria-valuemin': 0,
        'aria-valuemax': 167,
        'aria-valuenow': current.value,
        'aria-valuetext': said.value,
      },
)
</script>

<template>
  <svg
    ref="place"
    class="plotted"
    :class="{ live: !isPlain }"
    :viewBox="`${-WEEK.left} ${-WEEK.top} ${WEEK.width + WEEK.left + 14} ${WEEK.step * 7 + WEEK.top + 24}`"
    v-bind="asSlider"
    @click="choose"
    @keydown="step"
  >
    <line
      v-for="hour in [0, 3, 6, 9, 12, 15, 18, 21, 24]"
      :key="`rule ${hour}`"
      class="rule"
      :x1="hourX(hour)"
      :x2="hourX(hour)"
      y1="6"
      :y2="WEEK.step * 7"
    />
    <rect
      v-if="!isPlain"
      class="chosen"
      :x="hourX(current % 24)"
      :y="dayY(Math.floor(current / 24)) - WEEK.tall"
      :width="hourX(1)"
      :height="WEEK.tall"
    />
    <g v-for="(day, index) in WEEKDAYS" :key="day">
      <text class="mark day" x="-8" :y="dayY(index) - 3" text-anchor="end">{{ day }}</text>
      <template v-for="piece in days[index]" :key="piece.line">
        <path class="area" :d="piece.area" />
        <path class="line" :d="piece.line" />
      </template>
      <line class="ground" x1="0" :x2="WEEK.width" :y1="dayY(index)" :y2="dayY(index)" />
    </g>
    <circle
      v-for="mark in view.marks"
      :key="`${mark.profile} ${mark.id}`"
      class="post"
      :cx="markPlace(mark).x"
      :cy="markPlace(mark).y"
      :r="markRadius(mark.beside)"
    >
      <title>{{ mark.text }}</title>
    </circle>
    <g v-for="{ slot, number, x, y } in numbers" :key="slot" class="number">
      <circle :cx="x" :cy="y" r="9.5" />
      <text :x="x" :y="y + 4.4" text-anchor="middle">{{ number }}</text>
      <title>{{ slotName(slot) }}</title>
    </g>
    <text
      v-for="hour in [0, 3, 6, 9, 12, 15, 18, 21, 24]"
      :key="`hour ${hour}`"
      class="mark"
      :x="hourX(hour)"
      :y="WEEK.step * 7 + 18"
      text-anchor="middle"
    >
      {{ hourName(hour) }}
    </text>
  </svg>
</template>

<style scoped>
svg.live {
  cursor: pointer;
}
.day {
  font-weight: 600;
  fill: var(--ink);
}
.area {
  fill: var(--wash);
}
.line {
  fill: none;
  stroke: var(--series);
  stroke-width: 1.6;
}
.ground {
  stroke: var(--rule2);
  stroke-width: 1;
}
.post {
  fill: var(--series-3);
  stroke: var(--ground);
  stroke-width: 0.8;
  opacity: 0.85;
}
.number circle {
  fill: var(--zaffer);
}
.number text {
  fill: var(--ground);
  font-size: 12.5px;
  font-weight: 600;
}
.chosen {
  fill: none;
  stroke: var(--zaffer);
  stroke-dasharray: 3 2;
}
</style>
