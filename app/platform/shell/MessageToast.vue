<script setup lang="ts">
import type { ToastMessageOptions } from 'primevue/toast'
import { useToast } from 'primevue/usetoast'
import type { Said } from '../useSay'

type Way = Pick<Said, 'undo'>
const shell = useShell()
const toast = useToast()
const say = useSay()
function show() {
  for (const { undo, ...message } of shell.takeSaid())
    toast.add({ ...message, ...(undo && { detail: { undo } as never }) })
}
onMounted(show)
watch(() => shell.said, show)

/** Only its own message goes: what another one leads back to can still be brought back. */
async function back(message: ToastMessageOptions) {
  toast.remove(message)
  await (message.detail as Way).undo?.().catch(say.problem)
}
</script>

<template>
  <Toast position="bottom-center">
    <template #message="{ message }">
      <span class="message">{{ message.summary }}</span>
      <button v-if="(message.detail as Way | undefined)?.undo" type="button" class="bare back" @click="back(message)">
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
