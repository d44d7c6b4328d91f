<script setup lang="ts">
/** A text as it was typed, in paragraphs. */
const props = defineProps<{ text: string }>()
const paragraphs = computed(() => props.text.split(/\n{2,}/).filter((part) => part.trim() !== ''))
</script>

<template>
  <div>
    <p v-for="(paragraph, index) in paragraphs" :key="index">{{ paragraph }}</p>
  </div>
</template>

<style scoped>
p {
  font: inherit;
  margin-bottom: 0.8em;
  max-width: 44rem;
  white-space: pre-line;
}
</style>
