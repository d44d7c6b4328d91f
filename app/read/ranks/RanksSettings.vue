<script setup lang="ts">
/** Which of what is looked for a block shows: all of it in a table, or one with its points. */
import type { RanksView } from '~~/shared/read/ranks'
import type { Block } from '~~/shared/report/blocks'
import { watchWords } from './rankWords'

const props = defineProps<{ block: Block; number: number }>()
const emit = defineEmits<{ edit: [part: Partial<Block>] }>()
const { slug, base } = useClient()
const { data } = useQuery({
  key: () => ['ranks', slug.value, {}],
  query: () => api<RanksView>(`${base.value}/ranks`),
})
const ALL = 0
const choices = computed(() => [
  { value: ALL, name: 'all keywords' },
  ...(data.value?.rows ?? []).map((row) => ({ value: row.id, name: watchWords(row) })),
])
</script>

<template>
  <Select
    :model-value="props.block.watch ?? ALL"
    :options="choices"
    option-label="name"
    option-value="value"
    size="small"
    :aria-label="`Keyword of block ${number}`"
    @update:model-value="(watch) => emit('edit', { watch: watch === ALL ? undefined : watch })"
  />
</template>
