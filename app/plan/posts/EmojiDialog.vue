<script setup lang="ts">
/** An emoji is looked for by its words, and stands in the text. */
import { foundEmoji } from './emojiSearch'

const emit = defineEmits<{ close: []; take: [emoji: string] }>()
const MOST = 96
const words = ref('')
// a large list, which only this dialog needs
const { state: all, error } = useAsyncState(async () => (await import('emojilib')).default, undefined)
const found = computed(() => (all.value ? foundEmoji(all.value, words.value, MOST) : []))
</script>

<template>
  <OpeningDialog label="Emoji" width="34rem" @close="emit('close')">
    <div class="field">
      <label for="emoji-words">Look for words</label>
      <InputText id="emoji-words" v-model="words" size="small" fluid :maxlength="60" autofocus />
    </div>
    <p v-if="error" role="alert">The emoji could not be loaded. Close this and try again.</p>
    <p v-else-if="all && found.length === 0" class="quiet">No emoji has these words.</p>
    <ul aria-label="Emoji">
      <li v-for="{ emoji, name } in found" :key="emoji">
        <button type="button" class="bare" :aria-label="name" :title="name" @click="emit('take', emoji)">
          {{ emoji }}
        </button>
      </li>
    </ul>
    <p v-if="found.length === MOST" class="quiet">The first {{ MOST }}: look for words to see others.</p>
  </OpeningDialog>
</template>

<style scoped>
ul {
  list-style: none;
  display: flex;
  flex-wrap: wrap;
  gap: 2px;
}
button {
  min-width: 36px;
  min-height: 36px;
  font-size: 1.25rem;
}
</style>
