<script setup lang="ts">
import type { FilledIndustry } from '~~/shared/compare/industry'

defineProps<{ block: FilledIndustry; heading: string }>()
</script>

<template>
  <p v-if="block.industry.rows.length === 0" class="quiet">No figure of an industry fits these profiles.</p>
  <IndustryTable v-else :rows="block.industry.rows" is-plain />
</template>
