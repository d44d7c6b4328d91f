<script setup lang="ts">
import type { Rounding } from '~~/core/format/formatter'
import { formatValue } from '~~/core/format/formatValue'
import { metricById } from '~~/core/metrics/catalogue'
import type { TargetView } from '~~/shared/read/targets'

const props = defineProps<{ target: TargetView }>()
const locale = useLocale()
const say = (value: number, rounding?: Rounding) =>
  formatValue(value, metricById(props.target.metric).unit, locale, rounding)
const begin = computed(() =>
  metricById(props.target.metric).kind === 'stock'
    ? Math.min(
        props.target.start ?? 0,
        props.target.figure.value ?? Infinity,
        props.target.heading?.low ?? Infinity,
        props.target.wanted,
      )
    : 0,
)
/** What is sure so far, and up to where it may be where it is only known between bounds. */
const sure = computed(() => props.target.figure.low ?? props.target.figure.value)
const end = computed(() =>
  Math.max(props.target.wanted, sure.value ?? 0, props.target.figure.high ?? 0, props.target.heading?.high ?? 0),
)
/** The place of a value on the bar, in percent; a little room is left at the end. */
const place = (value: number) =>
  Math.min(100, Math.max(0, (96 * (value - begin.value)) / Math.max(1e-12, end.value - begin.value)))
const label = computed(() => {
  const { figure, wanted, heading } = props.target
  const least = figure.low === undefined ? '' : 'at least '
  const sofar =
    sure.value === undefined ? 'no figure yet' : `${least}${say(sure.value, least ? 'down' : 'near')} so far`
  return `${sofar}, ${say(wanted)} wanted${heading ? `, heading for ${say(heading.low, 'down')} to ${say(heading.high, 'up')}` : ''}`
})
</script>

<template>
  <div class="bar" role="img" :aria-label="label" :title="label">
    <i
      v-if="target.heading"
      class="range"
      :style="{
        left: `${place(target.heading.low)}%`,
        width: `${place(target.heading.high) - place(target.heading.low)}%`,
      }"
    />
    <i
      v-else-if="target.figure.low !== undefined && target.figure.high !== undefined"
      class="range"
      :style="{
        left: `${place(target.figure.low)}%`,
        width: `${place(target.figure.high) - place(target.figure.low)}%`,
      }"
    />
    <i v-if="sure !== undefined" class="now" :style="{ width: `${place(sure)}%` }" />
    <i v-if="target.heading" class="heading-mark" :style="{ left: `${place(target.heading.value)}%` }" />
    <i class="wanted" :style="{ left: `${place(target.wanted)}%` }" />
  </div>
</template>

<style scoped>
.bar {
  position: relative;
  height: 20px;
  border-bottom: 1px solid var(--rule2);
  margin: 4px 0;
}
i {
  position: absolute;
  display: block;
}
.range {
  top: 4px;
  height: 12px;
  background: var(--range);
}
.now {
  left: 0;
  top: 7px;
  height: 6px;
  background: var(--zaffer);
}
.heading-mark {
  top: 4px;
  height: 12px;
  border-left: 2px dashed var(--zaffer);
}
.wanted {
  top: 0;
  height: 20px;
  border-left: 3px solid var(--ink);
}
</style>
