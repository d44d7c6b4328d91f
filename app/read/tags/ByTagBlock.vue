<script setup lang="ts">
import type { FilledByTag } from '~~/shared/read/byTagBlock'

defineProps<{ block: FilledByTag; heading: string }>()
</script>

<template>
  <WideContent :label="heading"><ByTagText :by-tag="block.byTag" is-plain /></WideContent>
</template>
