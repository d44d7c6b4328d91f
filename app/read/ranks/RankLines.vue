<script setup lang="ts">
/** How the rank at the door went on from check to check: the top at the top, what is not among the first 20 below all. */
import { dayNumber } from '~~/core/days/day'
import { describeDay, shortDay } from '~~/core/periods/describePeriod'
import { DEPTH } from '~~/core/ranks/rankFigures'
import type { RankView } from '~~/shared/read/ranks'
import { rankWords } from './rankWords'

const props = defineProps<{ view: RankView }>()
const [WIDTH, HEIGHT] = [560, 150]
const BELOW = DEPTH + 1.5
type Line = RankView['lines'][number]
const first = computed(() => dayNumber(props.view.lines[0]!.day))
const span = computed(() => Math.max(1, dayNumber(props.view.lines.at(-1)!.day) - first.value))
const x = (day: string) => ((dayNumber(day) - first.value) / span.value) * WIDTH
const y = (rank: number | null) => (((rank ?? BELOW) - 1) / (BELOW - 1)) * HEIGHT
const path = computed(() => `M${props.view.lines.map(({ day, here }) => `${x(day)} ${y(here)}`).join('L')}`)
const marks = computed(() => {
  const { lines } = props.view
  const every = Math.max(1, Math.ceil(lines.length / 6))
  return lines.filter((_, index) => index % every === 0)
})
const COLUMNS = computed(() => [
  {
    key: 'day',
    label: 'Checked',
    isWords: true,
    valueOf: ({ day }: Line) => day,
    textOf: ({ day }: Line) => describeDay(day),
  },
  {
    key: 'here',
    label: 'Rank at the door',
    valueOf: ({ here }: Line) => here ?? BELOW,
    textOf: ({ here }: Line) => rankWords(here),
  },
  ...(props.view.watch.points > 1
    ? [{ key: 'first', label: 'Points in the first three', valueOf: ({ first: many }: Line) => many }]
    : []),
])
const said = computed(() => {
  const last = props.view.lines.at(-1)!
  return `${props.view.lines.length} checks; the last on ${describeDay(last.day)}: ${rankWords(last.here)}`
})
</script>

<template>
  <div>
    <svg
      class="plotted"
      :viewBox="`-40 -10 ${WIDTH + 60} ${HEIGHT + 36}`"
      role="img"
      :aria-label="`Rank at the door. ${said}`"
    >
      <g v-for="rank in [1, 3, 10, 20]" :key="rank">
        <line class="rule" x1="0" :x2="WIDTH" :y1="y(rank)" :y2="y(rank)" />
        <text class="mark" x="-8" :y="y(rank) + 4" text-anchor="end">{{ rank }}</text>
      </g>
      <text class="mark" x="-8" :y="y(null) + 6" text-anchor="end">–</text>
      <path class="line" :d="path" />
      <circle
        v-for="{ day, here } in view.lines"
        :key="day"
        :class="{ beyond: here === null }"
        :cx="x(day)"
        :cy="y(here)"
        r="3"
      />
      <text v-for="{ day } in marks" :key="day" class="mark" :x="x(day)" :y="HEIGHT + 22" text-anchor="middle">
        {{ shortDay(day) }}
      </text>
    </svg>
    <TableBehind
      name="checks"
      :columns="COLUMNS"
      :rows="view.lines"
      :key-of="({ day }) => day"
      show="Checks as a table"
      hide="Hide the checks"
    >
      {{ said }}.
    </TableBehind>
  </div>
</template>

<style scoped>
svg {
  max-width: 640px;
}
.line {
  fill: none;
  stroke: var(--series);
  stroke-width: 1.6;
}
circle {
  fill: var(--series);
}
.beyond {
  fill: var(--paper);
  stroke: var(--series);
  stroke-width: 1.4;
}
</style>
