<script setup lang="ts">
/** What happened to the entries of a place: what changed, and what was asked for. */
import { directoryById } from '~~/core/directories/directoryList'
import type { PlaceEntries } from '~~/shared/read/directories'
import { changeWords, correctionWords, fieldWords, saidWords, whenWords } from './directoryWords'

const props = defineProps<{ view: PlaceEntries; timeZone?: string }>()
const nameOf = (entry: number) => props.view.entries.find(({ id }) => id === entry)?.name ?? ''
const lines = computed(() =>
  [
    ...props.view.changes.map((change) => ({
      key: `change ${change.id}`,
      at: new Date(change.seenAt),
      words:
        `${directoryById(change.directory).name}, ${fieldWords(change.field).toLowerCase()}: from ` +
        `${saidWords(change.field, change.was)} to ${saidWords(change.field, change.became)}` +
        `${change.changedBy ? `, by ${change.changedBy}` : ''}; ${changeWords(change.state)}` +
        `${change.settledBy ? `, ${change.settledBy}` : ''}`,
    })),
    ...props.view.corrections.map((correction) => ({
      key: `correction ${correction.id}`,
      at: new Date(correction.askedAt),
      words:
        `${nameOf(correction.entry)} was asked for ${saidWords(correction.field, correction.value)} as its ` +
        `${fieldWords(correction.field).toLowerCase()}${correction.askedBy ? `, by ${correction.askedBy}` : ''}; ` +
        correctionWords(correction),
    })),
  ].sort((a, b) => b.at.valueOf() - a.at.valueOf()),
)
</script>

<template>
  <p v-if="lines.length === 0" class="quiet">Nothing has happened to them yet.</p>
  <ol v-else>
    <li v-for="{ key, at, words } in lines" :key="key">
      <span class="quiet">{{ whenWords(at, timeZone) }}</span> {{ words }}.
    </li>
  </ol>
</template>

<style scoped>
ol {
  list-style: none;
  padding: 0;
  margin: 6px 0;
}
li {
  margin: 3px 0;
}
</style>
