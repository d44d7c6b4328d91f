<script setup lang="ts">
import type { FilledWhy } from '~~/shared/read/whyBlock'

defineProps<{ block: FilledWhy; heading: string; isPlain?: boolean }>()
</script>

<template>
  <WideContent :label="heading"><WhyText :why="block.why" :is-plain="isPlain" /></WideContent>
</template>
