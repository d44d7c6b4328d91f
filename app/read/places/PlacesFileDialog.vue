<script setup lang="ts">
/** Places from a file: what it would do is seen before it is done. */
import { LARGEST_PLACES_BYTES, type PlacesFile } from '~~/shared/read/places'

const emit = defineEmits<{ close: []; saved: [] }>()
const say = useSay()
const refresh = useRefresh()
const { base } = useClient()
const file = ref<{ name: string; text: string }>()
const preview = ref<PlacesFile>()
const problem = ref('')
const isBusy = ref(false)
const willDo = computed(() => (preview.value ? preview.value.added.length + preview.value.changed.length : 0))

const sendIt = (isTaken: boolean) =>
  api<PlacesFile>(`${base.value}/places/file`, { method: 'POST', body: { ...file.value, isTaken } })

async function ask(isTaken: boolean) {
  if (!file.value) return
  problem.value = ''
  isBusy.value = true
  try {
    if (!isTaken) return void (preview.value = await sendIt(false))
    const address = `${base.value}/places`
    const before = await api<object>(`${address}/file`, { query: { format: 'geojson' } })
    const { added, changed } = await sendIt(true)
    say.done(`${added.length} added, ${changed.length} changed.`, async () => {
      for (const { id } of added) await api(`${address}/${id}`, { method: 'DELETE' })
      if (changed.length > 0)
        await api(`${address}/file`, {
          method: 'POST',
          body: { name: 'before', text: JSON.stringify(before), isTaken: true },
        })
      await refresh('places')
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
  if (given.size > LARGEST_PLACES_BYTES) return void (problem.value = 'Bring a file of at most 1 MB.')
  file.value = { name: given.name, text: await given.text() }
  await ask(false)
}
</script>

<template>
  <OpeningDialog label="Places from a file" width="40rem" @close="emit('close')">
    <p>
      A CSV, GeoJSON or JSON-LD file, as it can be taken away here. A place whose name is known is changed in the fields
      that the file has; others are added.
    </p>
    <label
      ><span class="field-label">File</span>{{ ' ' }}
      <input
        type="file"
        accept=".csv,.tsv,.geojson,.json,.jsonld"
        :disabled="isBusy"
        @change="bring(($event.target as HTMLInputElement).files?.[0])"
    /></label>
    <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
    <div v-if="preview" aria-live="polite">
      <p>
        {{ preview.added.length }} new, {{ preview.changed.length }} changed, {{ preview.same }} as they are,
        {{ preview.refused.length }} refused.
      </p>
      <RecordChanges
        :changed="preview.changed"
        :refused="
          preview.refused.map(({ row, name, reason }) => ({
            id: row,
            name: `${row}. ${name || 'without a name'}`,
            reason,
          }))
        "
      >
        <li v-for="{ name } in preview.added" :key="name">
          <strong>{{ name }}</strong> is new.
        </li>
      </RecordChanges>
      <Button
        v-if="willDo"
        :label="`Take ${willDo} ${willDo === 1 ? 'place' : 'places'}`"
        :loading="isBusy"
        @click="ask(true)"
      />
    </div>
  </OpeningDialog>
</template>
