<script setup lang="ts">
import type { FilledUnusual } from '~~/shared/read/unusualBlock'

defineProps<{ block: FilledUnusual; isPlain?: boolean }>()
</script>

<template>
  <UnusualText :metric="block.metric" :days="block.days" :is-plain="isPlain" />
</template>
