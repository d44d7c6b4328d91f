<script setup lang="ts">
/** What would be sent to directories, before it is: from what to what, and who asks for proof then. */
import { directoryById } from '~~/core/directories/directoryList'
import type { EntryField } from '~~/core/directories/entryFields'
import type { PlaceEntries } from '~~/shared/read/directories'
import { fieldWords, proofWords, saidWords } from './directoryWords'

const props = defineProps<{ view: PlaceEntries; chosen: readonly string[] }>()
const emit = defineEmits<{ close: []; sent: [jobs: number[]] }>()
const { base } = useClient()
const problem = ref('')
const isSending = ref(false)
const items = computed(() =>
  props.chosen.flatMap((key) => {
    const [id, field] = key.split(' ') as [string, EntryField]
    const entry = props.view.entries.find((each) => each.id === Number(id))
    const told = entry?.fields.find((each) => each.field === field)
    return entry && told ? [{ key, entry: entry.id, directory: entry.directory, ...told }] : []
  }),
)
const proof = computed(() => proofWords(items.value))

async function send() {
  isSending.value = true
  problem.value = ''
  try {
    const { jobs } = await api<{ jobs: number[] }>(`${base.value}/directories/corrections`, {
      method: 'POST',
      body: { items: items.value.map(({ entry, field }) => ({ entry, field })) },
    })
    emit('sent', jobs)
  } catch (error) {
    problem.value = (error as Error).message
  } finally {
    isSending.value = false
  }
}
</script>

<template>
  <OpeningDialog label="Send what the master record says" width="38rem" @close="emit('close')">
    <form @submit.prevent="send">
      <ul>
        <li v-for="item in items" :key="item.key">
          {{ directoryById(item.directory).name }}, {{ fieldWords(item.field).toLowerCase() }}:
          {{ saidWords(item.field, item.theirs) }} becomes <strong>{{ saidWords(item.field, item.ours) }}</strong>
        </li>
      </ul>
      <p v-if="proof" class="quiet">These may ask for proof again: {{ proof }}. That is common practice.</p>
      <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
      <Button type="submit" :label="items.length === 1 ? 'Send it' : `Send all ${items.length}`" :loading="isSending" />
    </form>
  </OpeningDialog>
</template>

<style scoped>
ul {
  margin: 0 0 10px;
  padding-left: 18px;
}
li {
  margin: 3px 0;
}
p {
  margin: 0 0 12px;
}
</style>
