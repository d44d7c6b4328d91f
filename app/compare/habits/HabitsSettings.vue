<script setup lang="ts">
/** Which part of the habits a block shows, and of what. */
import { CORNERS, TERMS } from '~~/core/habits/postingHabits'
import { HABIT_PARTS } from '~~/shared/compare/habits'
import type { Block } from '~~/shared/report/blocks'

defineProps<{ block: Block; number: number }>()
const emit = defineEmits<{ edit: [part: Partial<Block>] }>()
</script>

<template>
  <Select
    :model-value="block.part ?? 'terms'"
    :options="[...HABIT_PARTS]"
    option-label="name"
    option-value="id"
    size="small"
    :aria-label="`Part of block ${number}`"
    @update:model-value="(part) => emit('edit', { part })"
  />
  <Select
    v-if="(block.part ?? 'terms') === 'terms' || block.part === 'only'"
    :model-value="block.terms ?? 'hashtags'"
    :options="[...TERMS]"
    option-label="name"
    option-value="id"
    size="small"
    :aria-label="`Hashtags or words of block ${number}`"
    @update:model-value="(terms) => emit('edit', { terms })"
  />
  <Select
    v-if="block.part === 'corners'"
    :model-value="block.corners ?? 'weekday'"
    :options="[...CORNERS]"
    option-label="name"
    option-value="id"
    size="small"
    :aria-label="`Corners of block ${number}`"
    @update:model-value="(corners) => emit('edit', { corners })"
  />
</template>
