<script setup lang="ts">
import type { FilledFieldLines } from '~~/shared/compare/fieldLines'

defineProps<{ block: FilledFieldLines; heading: string }>()
</script>

<template>
  <FieldLinesChart :lines="block.lines" is-plain />
</template>
