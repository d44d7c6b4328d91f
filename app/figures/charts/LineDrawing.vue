<script setup lang="ts">
/** A line and its comparison as a plain drawing: what stands there until the chart has come. */
import type { DayPoint } from '~~/core/series/dailyPoints'
import { formatShort } from '~~/core/format/formatValue'
import { metricById } from '~~/core/metrics/catalogue'
import { shortDay } from '~~/core/periods/describePeriod'
import type { MetricLine } from '~~/shared/read/overview'
import { drawn } from './chartOptions'
import { axisOf, strokesOf } from './lineDrawing'

const props = defineProps<{ line: MetricLine }>()
const locale = useLocale()
const WIDTH = 1000
const HEIGHT = 100
const values = (points: readonly DayPoint[]) => points.map(drawn)
const all = computed(() => [...values(props.line.current), ...values(props.line.earlier ?? [])])
const axis = computed(() => axisOf(all.value, metricById(props.line.metric).kind === 'stock'))
const path = (points: readonly DayPoint[]) =>
  strokesOf(values(points.slice(0, props.line.current.length)), axis.value, { width: WIDTH, height: HEIGHT })
const height = (mark: number) => (100 * (mark - axis.value.least)) / (axis.value.most - axis.value.least)
const say = (value: number) => formatShort(value, metricById(props.line.metric).unit, locale)
const ends = computed(() => [props.line.current[0], props.line.current.at(-1)].filter((point) => point !== undefined))
</script>

<template>
  <div class="drawing" aria-hidden="true">
    <span v-for="mark in axis.marks" :key="mark" class="mark" :style="{ bottom: `${height(mark)}%` }"
      ><span>{{ say(mark) }}</span></span
    >
    <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" preserveAspectRatio="none">
      <path v-if="line.earlier" class="earlier" :d="path(line.earlier)" vector-effect="non-scaling-stroke" />
      <path :d="path(line.current)" vector-effect="non-scaling-stroke" />
    </svg>
    <span v-for="(point, index) in ends" :key="point.day" class="day" :style="{ left: `${100 * index}%` }">{{
      shortDay(point.day)
    }}</span>
  </div>
</template>

<style scoped>
/* where the chart has its lines and its words */
.drawing {
  position: absolute;
  inset: 35px 30px 36px 53px;
}
svg {
  position: absolute;
  inset: 0;
  width: 100%;
  height: 100%;
  overflow: visible;
}
path {
  fill: none;
  stroke: var(--series);
  stroke-width: 2.2;
}
path.earlier {
  stroke: var(--earlier);
  stroke-width: 1.6;
  stroke-dasharray: 4;
}
.mark {
  position: absolute;
  left: 0;
  right: 0;
  border-bottom: 1px solid var(--rule);
}
.mark span,
.day {
  position: absolute;
  font-size: var(--text-small);
  color: var(--ink3);
  white-space: nowrap;
}
.mark span {
  right: calc(100% + 6px);
  bottom: 0;
  transform: translateY(50%);
}
.day {
  bottom: -30px;
  transform: translateX(-50%);
}
</style>
