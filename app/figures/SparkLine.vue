<script setup lang="ts">
import type { DayPoint } from '~~/core/series/dailyPoints'

const props = defineProps<{ points: DayPoint[] }>()
const WIDTH = 116
const HEIGHT = 20

/** One stroke for each run of days with data: a gap stays a gap. */
const path = computed(() => {
  const values = props.points.map((point) => point.value ?? point.low)
  const known = values.filter((value) => value !== undefined)
  const [least, most] = [Math.min(...known), Math.max(...known)]
  let isDown = false
  return values
    .map((value, index) => {
      if (value === undefined) return ((isDown = false), '')
      const x = (index / Math.max(1, values.length - 1)) * WIDTH
      const y = 2 + (most === least ? 0.5 : (most - value) / (most - least)) * (HEIGHT - 4)
      const move = isDown ? 'L' : 'M'
      isDown = true
      return `${move}${x.toFixed(1)},${y.toFixed(1)}`
    })
    .join('')
})
</script>

<template>
  <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" width="100%" height="20" preserveAspectRatio="none" aria-hidden="true">
    <path :d="path" vector-effect="non-scaling-stroke" />
  </svg>
</template>

<style scoped>
svg {
  display: block;
  margin-top: 4px;
}
path {
  fill: none;
  stroke: var(--zaffer);
  stroke-width: 1.4;
}
</style>
