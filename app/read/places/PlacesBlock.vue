<script setup lang="ts">
import type { FilledPlaces } from '~~/shared/read/placesBlock'

defineProps<{ block: FilledPlaces; heading: string }>()
</script>

<template>
  <div>
    <PlacesTogether v-if="block.view.together" :together="block.view.together" :listings="[]" is-plain />
    <PlacesTable :view="block.view" is-plain />
  </div>
</template>
