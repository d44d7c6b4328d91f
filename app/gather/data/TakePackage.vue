<script setup lang="ts">
/** Taking a client's package in: only where nothing is kept yet. */
import { LARGEST_PACKAGE_BYTES, type TakingState } from '~~/shared/gather/data'
import { sendFile } from '~/platform/sendFile'

const session = useSession()
const refresh = useRefresh()
const { slug, base } = useClient()
const { data, refetch } = useQuery({
  key: () => ['data', slug.value, 'taking'],
  query: () => api<TakingState>(`${base.value}/data/taking`),
})
const input = ref<HTMLInputElement>()
const problem = ref('')
const sent = ref<number>()
const isBusy = computed(() => ['queued', 'running'].includes(data.value?.job?.state ?? ''))
useIntervalFn(() => isBusy.value && void refetch(), 700)
watch(
  () => data.value?.job?.state,
  (state, before) =>
    state === 'done' && before && void refresh('figures', 'profiles', 'reports', 'tags', 'links', 'polls'),
)
const tables = computed(() =>
  ((data.value?.job?.result as { tables?: { name: string; rows: number }[] } | null)?.tables ?? []).filter(
    ({ rows }) => rows > 0,
  ),
)

async function bring(file: File | undefined) {
  problem.value = ''
  if (!file) return
  if (file.size > LARGEST_PACKAGE_BYTES)
    return void (problem.value = `“${file.name}” is larger than ${LARGEST_PACKAGE_BYTES / 1024 ** 2} MB.`)
  sent.value = 0
  try {
    await sendFile(`${base.value}/data/package`, file, (share) => (sent.value = share))
    await refetch()
  } catch (trouble) {
    problem.value = (trouble as Error).message
  } finally {
    sent.value = undefined
    if (input.value) input.value.value = ''
  }
}
</script>

<template>
  <section v-if="data && session.mayWrite && (data.isEmpty || data.job)" aria-labelledby="take-heading">
    <h2 id="take-heading" class="heading">Take a client’s data in</h2>
    <template v-if="data.isEmpty">
      <p>
        Nothing is kept of this client yet, so all data of another one, as it was downloaded here or elsewhere (the ZIP
        with CSV files), can be taken in whole: all of it, or nothing.
      </p>
      <label
        ><span class="field-label">Package</span>{{ ' ' }}
        <input
          ref="input"
          type="file"
          accept=".zip,application/zip"
          :disabled="sent !== undefined || isBusy"
          @change="bring(($event.target as HTMLInputElement).files?.[0])"
      /></label>
    </template>
    <ProgressBar v-if="sent !== undefined" :value="sent" aria-label="Sending the package" />
    <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
    <p v-if="data.job && isBusy" aria-live="polite">Taking it in … {{ data.job.message }}</p>
    <p v-else-if="data.job?.state === 'failed'" class="field-error" role="alert">
      {{ data.job.message }} Nothing was taken in.
    </p>
    <template v-else-if="data.job?.state === 'done'">
      <p>{{ data.job.message }} Owners of profiles give their consent anew: send them the link from Profiles.</p>
      <ul v-if="tables.length" class="quiet">
        <li v-for="table in tables" :key="table.name">{{ table.name }}: {{ table.rows.toLocaleString() }}</li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
section {
  max-width: 640px;
  margin-top: 26px;
}
p {
  margin: 8px 0;
}
ul {
  columns: 2;
  padding-left: 16px;
}
</style>
