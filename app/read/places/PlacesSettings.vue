<script setup lang="ts">
/** Which places a block shows: all of them, or those of a group. */
import type { PlaceGroup } from '~~/shared/read/places'
import type { Block } from '~~/shared/report/blocks'

defineProps<{ block: Block; number: number }>()
const emit = defineEmits<{ edit: [part: Partial<Block>] }>()
const { slug, base } = useClient()
const { data } = useQuery({
  key: () => ['places', slug.value, 'groups'],
  query: () => api<PlaceGroup[]>(`${base.value}/places/groups`),
})
const ALL = 0
const choices = computed(() => [{ id: ALL, name: 'all places' }, ...(data.value ?? [])])
</script>

<template>
  <Select
    :model-value="block.group ?? ALL"
    :options="choices"
    option-label="name"
    option-value="id"
    size="small"
    :aria-label="`Places of block ${number}`"
    @update:model-value="(group) => emit('edit', { group: group === ALL ? undefined : group })"
  />
</template>
