<script setup lang="ts">
/** Figures of an industry from a file: what it would bring is seen before it is taken. */
import { LARGEST_REFERENCES_BYTES, type ReferencesFile } from '~~/shared/compare/industry'

const emit = defineEmits<{ close: []; saved: [] }>()
const say = useSay()
const refresh = useRefresh()
const { base } = useClient()
const text = ref('')
const preview = ref<ReferencesFile>()
const problem = ref('')
const isBusy = ref(false)

async function ask(isTaken: boolean) {
  problem.value = ''
  isBusy.value = true
  try {
    const found = await api<ReferencesFile>(`${base.value}/references/file`, {
      method: 'POST',
      body: { text: text.value, isTaken },
    })
    if (!isTaken) return void (preview.value = found)
    say.done(`${found.added.length} ${found.added.length === 1 ? 'figure' : 'figures'} added.`, async () => {
      for (const { id } of found.added) await api(`${base.value}/references/${id}`, { method: 'DELETE' })
      await refresh('industry')
    })
    emit('saved')
  } catch (trouble) {
    problem.value = (trouble as Error).message
  } finally {
    isBusy.value = false
  }
}
async function bring(given: File | undefined) {
  preview.value = undefined
  problem.value = ''
  if (!given) return
  if (given.size > LARGEST_REFERENCES_BYTES) return void (problem.value = 'Bring a file of at most 500 kB.')
  text.value = await given.text()
  await ask(false)
}
</script>

<template>
  <OpeningDialog label="Figures from a file" width="40rem" @close="emit('close')">
    <p>
      A table as CSV with the headings Measure, Network, Followers from, Followers below, Lower quartile, Median, Upper
      quartile, Source and Date; shares in percent with their sign. “Download” gives one that can be filled in.
    </p>
    <label
      ><span class="field-label">File</span>{{ ' ' }}
      <input
        type="file"
        accept=".csv,.tsv"
        :disabled="isBusy"
        @change="bring(($event.target as HTMLInputElement).files?.[0])"
    /></label>
    <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
    <div v-if="preview" aria-live="polite">
      <p>{{ preview.added.length }} new, {{ preview.same }} there already, {{ preview.refused.length }} refused.</p>
      <ul class="what">
        <li v-for="({ words }, index) in preview.added" :key="index">{{ words }}</li>
        <li v-for="{ row, reason } in preview.refused" :key="`refused ${row}`" class="field-error">
          Row {{ row }}: {{ reason }}
        </li>
      </ul>
      <Button
        v-if="preview.added.length"
        :label="`Take ${preview.added.length} ${preview.added.length === 1 ? 'figure' : 'figures'}`"
        :loading="isBusy"
        @click="ask(true)"
      />
    </div>
  </OpeningDialog>
</template>

<style scoped>
.what {
  max-height: 320px;
  overflow: auto;
  margin-bottom: 10px;
}
</style>
