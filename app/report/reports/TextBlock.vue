<script setup lang="ts">
import type { FilledText } from '~~/shared/report/textBlock'

defineProps<{ block: FilledText }>()
</script>

<template>
  <div class="text"><RichText :text="block.text" /></div>
</template>

<style scoped>
.text {
  font: 400 var(--text-heading)/1.55 var(--serif);
}
</style>
