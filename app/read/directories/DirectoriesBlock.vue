<script setup lang="ts">
import type { FilledDirectories } from '~~/shared/read/directoriesBlock'

defineProps<{ block: FilledDirectories; heading: string }>()
</script>

<template>
  <EntriesTable v-if="block.one" :view="block.one" is-plain />
  <template v-else-if="block.all?.rows.length">
    <ChangesTable v-if="block.all.changes.length" :changes="block.all.changes" is-plain />
    <DirectoriesTable :view="block.all" is-plain />
  </template>
  <p v-else class="quiet">There is no place.</p>
</template>
