<script setup lang="ts">
import type { FilledFieldEvents } from '~~/shared/compare/fieldEvents'

defineProps<{ block: FilledFieldEvents; heading: string }>()
</script>

<template>
  <FieldEventsTable :events="block.events" is-plain />
</template>
