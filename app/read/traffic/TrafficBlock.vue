<script setup lang="ts">
import type { FilledTraffic } from '~~/shared/read/trafficBlock'

defineProps<{ block: FilledTraffic; heading: string }>()
</script>

<template>
  <template v-for="traffic in block.traffic.sites" :key="traffic.site.id">
    <p>{{ traffic.site.name }}, {{ traffic.site.address }}</p>
    <TrafficText :traffic="traffic" is-plain />
  </template>
  <p v-if="block.traffic.sites.length === 0" class="quiet">There is no site.</p>
</template>
