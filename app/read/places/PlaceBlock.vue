<script setup lang="ts">
import { PLACE_TABLES, type FilledPlace } from '~~/shared/read/placeBlock'

const props = defineProps<{ block: FilledPlace; heading: string }>()
const table = computed(() => PLACE_TABLES[props.block.shows as keyof typeof PLACE_TABLES])
</script>

<template>
  <p v-if="block.name === undefined" class="quiet">The place is no longer there.</p>
  <PlaceRecordText v-else-if="block.record" :place="block.record" />
  <PlaceFigures v-else-if="block.figures?.periods.length" :insights="block.figures" is-plain />
  <CallLines v-else-if="block.calls" :calls="block.calls" />
  <div v-else-if="block.parts?.length">
    <PartsTable v-bind="table" :parts="block.parts" is-plain />
    <WithheldText v-if="block.withheld" :withheld="block.withheld" />
  </div>
  <ListingPictures v-else-if="block.pictures" :shown="block.pictures" :time-zone="block.timeZone" is-plain />
  <p v-else class="quiet">Nothing is known of it on these days.</p>
</template>
