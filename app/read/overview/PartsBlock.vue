<script setup lang="ts">
import type { FilledParts } from '~~/shared/read/partsBlock'

defineProps<{ block: FilledParts; heading: string }>()
</script>

<template>
  <WideContent :label="heading"><SplitText :view="block.split" is-plain /></WideContent>
</template>
