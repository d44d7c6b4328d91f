<script setup lang="ts">
/** What a block of lines follows, and in which form. */
import { LINE_FORMS } from '~~/core/field/memberLines'
import { metricById } from '~~/core/metrics/catalogue'
import { LINE_METRICS } from '~~/shared/compare/fieldLines'
import type { Block } from '~~/shared/report/blocks'

defineProps<{ block: Block; number: number }>()
const emit = defineEmits<{ edit: [part: Partial<Block>] }>()
const metrics = LINE_METRICS.map((id) => ({ id, name: metricById(id).name }))
</script>

<template>
  <FieldSettings :block="block" :number="number" @edit="(part) => emit('edit', part)" />
  <Select
    :model-value="block.line ?? 'followers'"
    :options="metrics"
    option-label="name"
    option-value="id"
    size="small"
    :aria-label="`What block ${number} follows`"
    @update:model-value="(line) => emit('edit', { line })"
  />
  <Select
    :model-value="block.as ?? 'level'"
    :options="[...LINE_FORMS]"
    option-label="name"
    option-value="id"
    size="small"
    :aria-label="`In which form block ${number} does`"
    @update:model-value="(as) => emit('edit', { as })"
  />
</template>
