<script setup lang="ts">
/** Which part of the habits a block shows, and of what. */
import { CORNERS, TERMS } from '~~/core/habits/habitKinds'
import { HABIT_PARTS } from '~~/shared/compare/habits'
import type { Block } from '~~/shared/report/blocks'

const props = defineProps<{ block: Block; number: number }>()
const emit = defineEmits<{ edit: [part: Partial<Block>] }>()
/** What can be chosen: the part, and what parts what it shows. */
const choices = computed(() => {
  const { part = 'terms', terms = 'hashtags', corners = 'weekday' } = props.block
  return [
    { key: 'part', name: 'Part', value: part, options: [...HABIT_PARTS] },
    ...(part === 'terms' || part === 'only'
      ? [{ key: 'terms', name: 'Hashtags or words', value: terms, options: [...TERMS] }]
      : []),
    ...(part === 'corners' ? [{ key: 'corners', name: 'Corners', value: corners, options: [...CORNERS] }] : []),
  ]
})
</script>

<template>
  <FieldSettings :block="block" :number="number" @edit="(part) => emit('edit', part)" />
  <Select
    v-for="choice in choices"
    :key="choice.key"
    :model-value="choice.value"
    :options="choice.options"
    option-label="name"
    option-value="id"
    size="small"
    :aria-label="`${choice.name} of block ${number}`"
    @update:model-value="(value: string) => emit('edit', { [choice.key]: value })"
  />
</template>
