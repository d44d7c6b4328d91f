<script setup lang="ts">
import type { FilledPlaces } from '~~/shared/read/placesBlock'

defineProps<{ block: FilledPlaces; heading: string }>()
</script>

<template>
  <PlacesTable :view="block.view" is-plain />
</template>
