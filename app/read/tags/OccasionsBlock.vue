<script setup lang="ts">
import type { FilledOccasions } from '~~/shared/read/occasionsBlock'

defineProps<{ block: FilledOccasions; heading: string }>()
</script>

<template>
  <WideContent :label="heading"><OccasionsText :occasions="block.occasions" is-plain /></WideContent>
</template>
