<script setup lang="ts">
import type { FilledLinks } from '~~/shared/read/linksBlock'

defineProps<{ block: FilledLinks; heading: string }>()
</script>

<template>
  <WideContent :label="heading"><LinksText :list="block.links" is-plain /></WideContent>
</template>
