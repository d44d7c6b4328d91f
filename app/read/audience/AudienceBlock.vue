<script setup lang="ts">
import type { FilledAudience } from '~~/shared/read/audienceBlock'

defineProps<{ block: FilledAudience; heading: string }>()
</script>

<template>
  <WideContent v-if="block.view" :label="heading"><AudienceText :view="block.view" is-plain /></WideContent>
  <p v-else class="quiet">No network tells this of these profiles.</p>
</template>
