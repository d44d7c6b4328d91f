<script setup lang="ts">
import { useToast } from 'primevue/usetoast'

interface Way {
  undo?: () => Promise<unknown>
}
const toast = useToast()
const say = useSay()

async function back(detail: Way) {
  toast.removeAllGroups()
  await detail.undo?.().catch(say.problem)
}
</script>

<template>
  <Toast position="bottom-center">
    <template #message="{ message }">
      <span class="message">{{ message.summary }}</span>
      <button
        v-if="(message.detail as Way | undefined)?.undo"
        type="button"
        class="bare back"
        @click="back(message.detail as Way)"
      >
        Undo
      </button>
    </template>
  </Toast>
</template>

<style scoped>
.message {
  flex: 1;
  color: var(--ink);
}
.back {
  color: var(--ink);
  font-weight: 600;
  text-decoration: underline;
}
</style>
