<script setup lang="ts">
/** How many posts a block lists, of which format, with which words and tags. */
import { POST_FORMATS } from '~~/core/networks/postFormats'
import type { Block } from '~~/shared/report/blocks'
import { USUAL_ENDS } from '~~/shared/read/endsBlock'
import { USUAL_ROWS } from '~~/shared/read/postsBlock'

const props = defineProps<{ block: Block; /** Which block of the report it is. */ number: number }>()
const emit = defineEmits<{ edit: [part: Partial<Block>] }>()
/** Of the best and the worst, how many there are at each end. */
const many = computed(() =>
  props.block.kind === 'ends'
    ? { usual: USUAL_ENDS, choices: [1, 3, 5, 10] }
    : { usual: USUAL_ROWS, choices: [3, 5, 10, 20, 50] },
)
const ANY_FORMAT = 'any'
const FORMATS = [{ value: ANY_FORMAT, name: 'every format' }, ...POST_FORMATS.map((value) => ({ value, name: value }))]
</script>

<template>
  <Select
    v-if="block.kind !== 'formats'"
    :model-value="block.rows ?? many.usual"
    :options="many.choices"
    size="small"
    :aria-label="`How many posts in block ${number}`"
    @update:model-value="(rows) => emit('edit', { rows })"
  />
  <Select
    v-if="block.kind !== 'formats'"
    :model-value="block.format || ANY_FORMAT"
    :options="FORMATS"
    option-label="name"
    option-value="value"
    size="small"
    :aria-label="`Format of the posts in block ${number}`"
    @update:model-value="(format) => emit('edit', { format: format === ANY_FORMAT ? '' : format })"
  />
  <PostChoices :chosen="block" :of="`of the posts in block ${number}`" @choose="(part) => emit('edit', part)" />
  <PostWords
    :looked="{ any: block.any ?? '', all: block.all ?? '', none: block.none ?? '' }"
    :label="`Words of the posts in block ${number}`"
    @look="(looked) => emit('edit', looked)"
  />
</template>
