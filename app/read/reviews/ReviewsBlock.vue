<script setup lang="ts">
import type { FilledReviews } from '~~/shared/read/reviewsBlock'

defineProps<{ block: FilledReviews; heading: string }>()
</script>

<template>
  <p v-if="block.view.all.answering.reviews === 0" class="quiet">Nobody wrote a review on these days.</p>
  <template v-else>
    <ReviewFiguresText :view="block.view" is-plain />
    <ReviewSubjects :view="block.view" is-plain />
    <RivalReviewsTable v-if="block.view.rivals?.length" :view="block.view" is-plain />
  </template>
</template>
