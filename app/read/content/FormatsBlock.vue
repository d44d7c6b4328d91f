<script setup lang="ts">
import type { FilledFormats } from '~~/shared/read/formatsBlock'

defineProps<{ block: FilledFormats; heading: string }>()
</script>

<template>
  <WideContent :label="heading"><FormatsText :spread="block.spread" is-plain /></WideContent>
</template>
