<script setup lang="ts">
import type { FilledField } from '~~/shared/compare/fieldBlock'

defineProps<{ block: FilledField; heading: string }>()
</script>

<template>
  <p v-if="block.field.members.length === 0" class="quiet">There is nobody to compare.</p>
  <template v-else>
    <FieldWords :field="block.field" />
    <p>Share of voice, of all interactions of this field:</p>
    <VoiceBars :members="block.field.members" />
    <FieldTables :field="block.field" is-plain />
  </template>
</template>
