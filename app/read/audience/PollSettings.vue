<script setup lang="ts">
/** Which poll a block shows. */
import type { Block } from '~~/shared/report/blocks'
import { usePolls } from './usePolls'

const props = defineProps<{ block: Block; number: number }>()
const emit = defineEmits<{ edit: [part: Partial<Block>] }>()
const { polls } = usePolls()
</script>

<template>
  <Select
    :model-value="props.block.poll ?? polls[0]?.id"
    :options="polls"
    option-label="question"
    option-value="id"
    size="small"
    :aria-label="`Poll of block ${number}`"
    @update:model-value="(poll) => emit('edit', { poll })"
  />
</template>
