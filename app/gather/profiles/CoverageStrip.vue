<script setup lang="ts">
import { eachDay, includes, type Period } from '~~/core/periods/period'

const props = defineProps<{ strip: Period; missing: Period[]; label: string }>()
const days = computed(() =>
  eachDay(props.strip).map((day) => ({ day, isMissing: props.missing.some((gap) => includes(gap, day)) })),
)
</script>

<template>
  <svg :viewBox="`0 0 ${days.length * 4} 14`" :width="days.length * 4" height="14" role="img" :aria-label="label">
    <title>{{ label }}</title>
    <rect
      v-for="({ day, isMissing }, index) in days"
      :key="day"
      :x="index * 4"
      :y="isMissing ? 11 : 0"
      width="3"
      :height="isMissing ? 3 : 14"
      :class="{ missing: isMissing }"
    />
  </svg>
</template>

<style scoped>
rect {
  fill: var(--zaffer);
}
.missing {
  fill: var(--worse);
}
</style>
