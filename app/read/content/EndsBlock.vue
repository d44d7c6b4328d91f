<script setup lang="ts">
import type { FilledEnds } from '~~/shared/read/endsBlock'

defineProps<{ block: FilledEnds; timeZone: string }>()
</script>

<template>
  <EndsText :ends="block.ends" :time-zone="timeZone" />
</template>
