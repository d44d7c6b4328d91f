<script setup lang="ts">
import { entriesIn } from '~~/core/metrics/entriesIn'

/** The glossary's entries for the words that stand on the page, also when a part of it comes while they are read. */
const emit = defineEmits<{ done: [] }>()
const shown = document.getElementById('page')
const entries = shallowRef(entriesIn(shown?.innerText ?? ''))
const readAgain = useThrottleFn(() => (entries.value = entriesIn(shown?.innerText ?? '')), 300, true)
useMutationObserver(shown, readAgain, { childList: true, subtree: true, characterData: true })
</script>

<template>
  <div class="words">
    <p v-if="entries.length === 0" class="quiet">No word of the glossary stands on this page.</p>
    <dl v-else>
      <template v-for="{ id, word, meaning } in entries" :key="id"
        ><dt>
          <NuxtLink :to="`/glossary#${id}`" @click="emit('done')">{{ word }}</NuxtLink>
        </dt>
        <dd>{{ meaning }}</dd></template
      >
    </dl>
  </div>
</template>

<style scoped>
.words {
  width: 30rem;
  max-height: 70vh;
  overflow-y: auto;
}
dl {
  display: grid;
  grid-template-columns: 9rem minmax(0, 1fr);
  gap: 6px 14px;
  font-size: var(--text-small);
}
dt {
  font-weight: 650;
}
dd {
  color: var(--ink2);
}
</style>
