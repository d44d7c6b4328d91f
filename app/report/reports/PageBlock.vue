<script setup lang="ts">
import type { FilledPage } from '~~/shared/report/pageBlock'

defineProps<{ block: FilledPage }>()
</script>

<template>
  <p class="page-break no-print">A new page begins here on paper.</p>
</template>

<style scoped>
.page-break {
  border-top: 1px dashed var(--rule2);
  color: var(--ink3);
  font-size: var(--text-small);
  padding-top: 3px;
}
</style>
