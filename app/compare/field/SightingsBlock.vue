<script setup lang="ts">
import type { FilledSightings } from '~~/shared/compare/sightingsBlock'

defineProps<{ block: FilledSightings; heading: string }>()
</script>

<template>
  <p v-if="block.view.sightings.length === 0" class="quiet">Rivals did as they usually do.</p>
  <SightingList v-else :view="block.view" is-plain />
</template>
