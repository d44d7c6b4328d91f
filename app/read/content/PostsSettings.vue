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
const { tags } = useTags()
const ANY = 'any'
const tagChoices = computed(() => [
  { value: ANY, name: 'with any tags' },
  ...tags.value.map(({ id, name }) => ({ value: String(id), name: `tagged ${name}` })),
  { value: 'none', name: 'without a tag' },
])
const PAID = [
  { value: ANY, name: 'organic and paid' },
  { value: 'organic', name: 'organic alone' },
  { value: 'paid', name: 'paid alone' },
] as const
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
  <Select
    :model-value="block.tags || ANY"
    :options="tagChoices"
    option-label="name"
    option-value="value"
    size="small"
    :aria-label="`Tag of the posts in block ${number}`"
    @update:model-value="(value) => emit('edit', { tags: value === ANY ? '' : value })"
  />
  <Select
    :model-value="block.paid || ANY"
    :options="[...PAID]"
    option-label="name"
    option-value="value"
    size="small"
    :aria-label="`Organic or paid posts in block ${number}`"
    @update:model-value="(value) => emit('edit', { paid: value === ANY ? '' : value })"
  />
  <PostWords
    :looked="{ any: block.any ?? '', all: block.all ?? '', none: block.none ?? '' }"
    :label="`Words of the posts in block ${number}`"
    @look="(looked) => emit('edit', looked)"
  />
</template>
