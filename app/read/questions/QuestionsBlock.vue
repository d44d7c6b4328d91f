<script setup lang="ts">
import type { FilledQuestions } from '~~/shared/read/questionsBlock'

defineProps<{ block: FilledQuestions; heading: string }>()
</script>

<template>
  <QuestionsTable v-if="block.listings.length" :listings="block.listings" is-plain />
  <p v-else class="quiet">Nobody asked anything in this period.</p>
</template>
