<script setup lang="ts">
/** Which places a block shows: all of them, or one field by field. */
import type { DirectoriesView } from '~~/shared/read/directories'
import type { Block } from '~~/shared/report/blocks'

const props = defineProps<{ block: Block; number: number }>()
const emit = defineEmits<{ edit: [part: Partial<Block>] }>()
const { slug, base } = useClient()
const { data } = useQuery({
  key: () => ['directories', slug.value],
  query: () => api<DirectoriesView>(`${base.value}/directories`),
})
const ALL = 0
const choices = computed(() => [
  { value: ALL, name: 'all places' },
  ...(data.value?.rows ?? []).map(({ place }) => ({ value: place.id, name: place.name })),
])
</script>

<template>
  <Select
    :model-value="props.block.place ?? ALL"
    :options="choices"
    option-label="name"
    option-value="value"
    size="small"
    :aria-label="`Place of block ${number}`"
    @update:model-value="(place) => emit('edit', { place: place === ALL ? undefined : place })"
  />
</template>
