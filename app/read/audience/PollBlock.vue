<script setup lang="ts">
import type { FilledPoll } from '~~/shared/read/pollBlock'

defineProps<{ block: FilledPoll; heading: string }>()
</script>

<template>
  <PollText v-if="block.poll" :poll="block.poll" />
  <p v-else class="quiet">There is no poll to show.</p>
</template>
