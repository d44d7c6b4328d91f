<script setup lang="ts">
/** Which place a block shows, and what of it. */
import { PLACE_PARTS } from '~~/shared/read/placeBlock'
import type { PlacesPage } from '~~/shared/read/places'
import type { Block } from '~~/shared/report/blocks'

defineProps<{ block: Block; number: number }>()
const emit = defineEmits<{ edit: [part: Partial<Block>] }>()
const { slug, base } = useClient()
const { data } = useQuery({
  key: () => ['places', slug.value, {}],
  query: () => api<PlacesPage>(`${base.value}/places`),
})
const places = computed(() => (data.value?.all ?? []).map(({ id, name, town }) => ({ id, name: `${name}, ${town}` })))
</script>

<template>
  <Select
    :model-value="block.place ?? places[0]?.id"
    :options="places"
    option-label="name"
    option-value="id"
    size="small"
    :aria-label="`Place of block ${number}`"
    @update:model-value="(place: number) => emit('edit', { place })"
  />
  <Select
    :model-value="block.shows ?? 'figures'"
    :options="[...PLACE_PARTS]"
    option-label="name"
    option-value="id"
    size="small"
    :aria-label="`What block ${number} shows of the place`"
    @update:model-value="(shows: Block['shows']) => emit('edit', { shows })"
  />
</template>
