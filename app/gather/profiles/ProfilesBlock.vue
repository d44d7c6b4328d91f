<script setup lang="ts">
import type { FilledProfiles } from '~~/shared/gather/profilesBlock'

defineProps<{ block: FilledProfiles; heading: string }>()
</script>

<template>
  <WideContent :label="heading"><CoverageTable :rows="block.rows" /></WideContent>
</template>
