<script setup lang="ts">
import type { NuxtError } from '#app'

/** What stands in the place of a page that could not be opened at all. */
const props = defineProps<{ error: NuxtError }>()
const isMissing = computed(() => props.error.statusCode === 404)
const reload = () => window.location.reload()
useHead({ title: 'Not opened · Zaffer' })
</script>

<template>
  <main class="plain">
    <h1>{{ isMissing ? 'There is no such page' : 'This page could not be opened' }}</h1>
    <p role="alert">
      {{ isMissing ? 'The address may be wrong, or of something that is not there any more.' : error.message }}
    </p>
    <p class="row">
      <a href="/">To your clients</a
      ><button v-if="!isMissing" type="button" class="bare" @click="reload">Try again</button>
    </p>
  </main>
</template>

<style scoped>
.plain {
  max-width: 40rem;
  margin: 12vh auto 0;
  padding: 0 20px;
  display: grid;
  gap: 12px;
}
h1 {
  font: 600 var(--text-title)/1.2 var(--serif);
}
.row {
  justify-content: flex-start;
  gap: 18px;
}
button {
  color: var(--zaffer);
  text-decoration: underline;
}
</style>
