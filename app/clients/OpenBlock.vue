<script setup lang="ts">
import type { FilledOpen } from '~~/shared/openBlock'

defineProps<{ block: FilledOpen }>()
</script>

<template>
  <OpenText :open="block.open" />
</template>
