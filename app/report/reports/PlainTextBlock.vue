<script setup lang="ts">
/** A text of before there were marks in it: it stands as it was typed. */
import type { FilledText } from '~~/shared/report/textBlock'

defineProps<{ block: FilledText }>()
</script>

<template>
  <div class="text"><PlainParagraphs :text="block.text" /></div>
</template>

<style scoped>
.text {
  font: 400 var(--text-heading)/1.55 var(--serif);
}
</style>
