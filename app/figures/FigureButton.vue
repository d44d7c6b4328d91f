<script setup lang="ts">
import { metricById } from '~~/core/metrics/catalogue'
import type { ComparedFigure } from '~~/core/rollup/compareFigures'
import type { DayPoint } from '~~/core/series/dailyPoints'

defineProps<{ compared: ComparedFigure; points?: DayPoint[]; isSelected?: boolean; isPlain?: boolean }>()
defineEmits<{ select: [] }>()
</script>

<template>
  <div v-if="isPlain" class="figure">
    <FigureText :compared="compared" :name="metricById(compared.figure.metric).name" />
  </div>
  <button
    v-else
    type="button"
    class="bare figure"
    :class="{ selected: isSelected }"
    :aria-pressed="isSelected ?? false"
    @click="$emit('select')"
  >
    <FigureText :compared="compared" :name="metricById(compared.figure.metric).name" />
    <SparkLine v-if="points" :points="points" />
  </button>
</template>

<style scoped>
.figure {
  padding: 11px 12px 9px;
  border-left: 1px solid var(--rule);
  display: flex;
  flex-direction: column;
  justify-content: flex-start;
  min-width: 0;
}
button.figure:hover {
  background: color-mix(in srgb, var(--wash) 50%, transparent);
}
.figure:first-child {
  border-left: 0;
  padding-left: 2px;
}
.figure.selected {
  background: var(--wash);
  box-shadow: inset 0 2px 0 var(--zaffer);
}
.figure > svg {
  margin-top: auto;
}
</style>
