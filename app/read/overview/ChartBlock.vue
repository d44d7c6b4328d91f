<script setup lang="ts">
import type { Note } from '~~/shared/figures/notes'
import type { FilledChart } from '~~/shared/read/chartBlock'

defineProps<{ block: FilledChart; notes: Note[]; isPlain?: boolean }>()
const emit = defineEmits<{ ready: [] }>()
</script>

<template>
  <MetricChart
    :key="`${block.line.metric} ${block.second?.metric} ${block.isIndex}`"
    :line="block.line"
    :second="block.second"
    :is-index="block.isIndex"
    :notes="notes"
    :is-plain="isPlain"
    @ready="emit('ready')"
  />
</template>
