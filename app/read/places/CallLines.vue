<script setup lang="ts">
/** Calls by weekday and hour: a line for each day of the week, one above the other; the numbers one key away. */
import { oneDecimal } from '~~/core/format/numbers'
import { hourName, WEEKDAYS } from '~~/core/times/slots'
import type { PlaceInsights } from '~~/shared/read/places'

const props = defineProps<{ calls: NonNullable<PlaceInsights['calls']> }>()
const locale = useLocale()
const [WIDTH, STEP, TALL] = [400, 34, 28]
const most = computed(() => Math.max(...props.calls.byHour.flat(), 0.001))
const x = (hour: number) => (hour / 24) * WIDTH
/** A step for each hour, so that no slope is drawn where only a number is known. */
const shape = (hours: readonly number[]) =>
  hours
    .map((calls, hour) => `L${x(hour)} ${-(calls / most.value) * TALL}L${x(hour + 1)} ${-(calls / most.value) * TALL}`)
    .join('')
interface Row {
  hour: number
  days: number[]
}
const rows = computed<Row[]>(() =>
  Array.from({ length: 24 }, (_, hour) => ({ hour, days: props.calls.byHour.map((hours) => hours[hour]!) })),
)
const COLUMNS = [
  {
    key: 'hour',
    label: 'From',
    isWords: true,
    valueOf: ({ hour }: Row) => hour,
    textOf: ({ hour }: Row) => hourName(hour),
  },
  ...WEEKDAYS.map((label, index) => ({
    key: label,
    label,
    isFigure: true,
    valueOf: ({ days }: Row) => days[index]!,
    textOf: ({ days }: Row) => oneDecimal(days[index]!, locale),
  })),
]
/** The fullest hour, in words. */
const fullest = computed(() => {
  let found = { day: 0, hour: 0, calls: -1 }
  props.calls.byHour.forEach((hours, day) =>
    hours.forEach((calls, hour) => {
      if (calls > found.calls) found = { day, hour, calls }
    }),
  )
  return found.calls > 0
    ? `Most on ${WEEKDAYS[found.day]} from ${hourName(found.hour)}: ${oneDecimal(found.calls, locale)} calls in the hour on average.`
    : 'Nobody called on these days.'
})
const days = computed(() => props.calls.days.reduce((sum, each) => sum + each, 0))
</script>

<template>
  <div>
    <svg
      class="plotted"
      :viewBox="`-78 -6 ${WIDTH + 96} ${WEEKDAYS.length * STEP + 24}`"
      role="img"
      :aria-label="fullest"
    >
      <g v-for="(day, index) in WEEKDAYS" :key="day" :transform="`translate(0 ${(index + 1) * STEP - 6})`">
        <text class="mark" x="-8" y="-2" text-anchor="end">{{ day }}</text>
        <path class="calls" :d="`M0 0${shape(calls.byHour[index]!)}L${WIDTH} 0Z`" />
        <line class="rule" x1="0" :x2="WIDTH" y1="0" y2="0" />
      </g>
      <text
        v-for="hour in [0, 3, 6, 9, 12, 15, 18, 21, 24]"
        :key="hour"
        class="mark"
        :x="x(hour)"
        :y="WEEKDAYS.length * STEP + 12"
        text-anchor="middle"
      >
        {{ hourName(hour) }}
      </text>
    </svg>
    <TableBehind
      name="calls"
      :columns="COLUMNS"
      :rows="rows"
      :key-of="({ hour }) => hour"
      show="Calls as a table"
      hide="Hide the table"
    >
      {{ fullest }} Mean calls in each hour over {{ days }} days of which the hours are known.
    </TableBehind>
  </div>
</template>

<style scoped>
/* in a report it would grow with the page, and its letters with it */
.plotted {
  max-width: 560px;
}
.calls {
  fill: var(--wash);
  stroke: var(--series);
  stroke-width: 1.4;
}
</style>
