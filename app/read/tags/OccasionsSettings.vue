<script setup lang="ts">
/** Which occasions a block shows. */
import type { Block } from '~~/shared/report/blocks'
import { USUAL_WINDOW } from '~~/shared/read/occasionsBlock'

const props = defineProps<{ block: Block; number: number }>()
const emit = defineEmits<{ edit: [part: Partial<Block>] }>()
const asked = computed(() => ({
  ...(props.block.tag && { tag: props.block.tag }),
  on: props.block.on ?? '',
  before: props.block.before ?? USUAL_WINDOW.before,
  after: props.block.after ?? USUAL_WINDOW.after,
}))
</script>

<template>
  <OccasionsChoice :asked="asked" :label="`Occasions of block ${number}`" @choose="(part) => emit('edit', part)" />
</template>
