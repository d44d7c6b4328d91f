<script setup lang="ts">
import type { FilledPosts } from '~~/shared/read/postsBlock'

defineProps<{ block: FilledPosts; heading: string; timeZone: string }>()
</script>

<template>
  <WideContent v-if="block.posts.length" :label="heading"
    ><PostTable :posts="block.posts" :time-zone="timeZone"
  /></WideContent>
  <p v-else class="quiet">Nothing was published in this period.</p>
</template>
