<script setup lang="ts">
import type { FilledBreakdown } from '~~/shared/read/breakdownBlock'

defineProps<{ block: FilledBreakdown; heading: string }>()
</script>

<template>
  <WideContent :label="heading"><BreakdownText :view="block.breakdown" is-plain /></WideContent>
</template>
