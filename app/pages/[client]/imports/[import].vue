<script setup lang="ts">
import type { MappingInput, BadRow, ImportView } from '~~/shared/gather/imports'
import type { JobView } from '~~/shared/platform/jobs'

type Opened = ImportView & { badRows: BadRow[]; job: JobView | null }

const route = useRoute()
const session = useSession()
const say = useSay()
const refresh = useRefresh()
const { slug, base } = useClient()
const address = computed(() => `${base.value}/imports/${String(route.params.import)}`)
const { data, error, refetch } = useQuery({
  key: () => ['import', slug.value, String(route.params.import)],
  query: () => api<Opened>(address.value),
})
const busy = computed(() => ['opening', 'checking', 'applying', 'undoing'].includes(data.value?.state ?? ''))
const isStuck = computed(() => busy.value && data.value?.job?.state === 'failed')
const problem = ref('')
useIntervalFn(() => busy.value && !isStuck.value && void refetch(), 500)
useHead({ title: () => `${data.value?.fileName ?? 'Import'} · Zaffer` })

watch(
  () => data.value?.state,
  async (state, before) => {
    if (!before) return
    // short work can be over before it was ever seen to be going on
    if (state === 'applied' && before !== 'undoing') say.done('The figures are written.', undo)
    if (state === 'undone') say.done('Everything stands as it did before the import.')
    await refresh('figures', 'imports')
  },
)

async function act(what: 'check' | 'apply' | 'undo', body?: MappingInput) {
  problem.value = ''
  try {
    await api(`${address.value}/${what}`, { method: 'POST', body })
    await refresh('imports')
  } catch (trouble) {
    problem.value = (trouble as Error).message
  }
}
const undo = () => act('undo')
async function removeImport() {
  try {
    await api(address.value, { method: 'DELETE' })
    await navigateTo(`/${slug.value}/imports`) // first, or the page would ask again for what is gone
    await refresh('imports')
  } catch (trouble) {
    problem.value = (trouble as Error).message
  }
}
</script>

<template>
  <div>
    <PageHead :title="data ? `What would “${data.fileName}” change?` : 'Import'"
      ><NuxtLink :to="`/${slug}/imports`">All imports</NuxtLink></PageHead
    >
    <p v-if="error" role="alert">{{ error.message }}</p>
    <template v-if="data">
      <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
      <p v-if="data.state === 'failed' || isStuck" class="field-error" role="alert">{{ data.job?.message }}</p>
      <section v-if="busy" aria-live="polite" class="step">
        <p>
          {{
            {
              opening: 'Opening the workbook',
              checking: 'Checking every row',
              applying: 'Writing',
              undoing: 'Bringing back what was there',
            }[data.state as 'checking']
          }}
          … {{ data.job?.message }}
        </p>
        <ProgressBar
          :value="data.job?.total ? Math.round((100 * data.job.progress) / data.job.total) : 0"
          aria-label="Progress"
        />
      </section>
      <ImportResult
        v-if="data.summary"
        :summary="data.summary"
        :bad-rows="data.badRows"
        :bad-rows-address="`${address}/bad-rows`"
        :headings="data.layout?.headings ?? []"
        :state="data.state"
        :dataset="data.dataset"
      />
      <div v-if="session.mayWrite" class="row step">
        <Button
          v-if="data.state === 'checked' && data.summary!.good > 0"
          :label="`Write ${data.summary!.good.toLocaleString()} rows`"
          @click="act('apply')"
        />
        <Button v-if="data.state === 'applied'" label="Undo the whole import" outlined @click="undo" />
        <Button
          v-if="(isStuck && data.state === 'applying') || (data.state === 'failed' && data.hasWritten)"
          label="Write the rest"
          @click="act('apply')"
        />
        <Button v-if="isStuck && data.state === 'undoing'" label="Go on undoing" @click="undo" />
        <Button
          v-if="data.state === 'failed' && data.hasWritten"
          label="Undo what was written"
          outlined
          @click="undo"
        />
        <Button
          v-if="!data.hasWritten && ['uploading', 'uploaded', 'checked', 'failed', 'undone'].includes(data.state)"
          label="Remove the file"
          text
          @click="removeImport"
        />
      </div>
      <p v-if="data.state === 'uploading'" class="quiet">
        This file is still being sent, or its sending broke off. What broke off is removed by itself after a day.
      </p>
      <p v-if="data.layout?.sheet && data.layout.sheet.of > 1" class="quiet">
        The workbook has {{ data.layout.sheet.of }} sheets. “{{ data.layout.sheet.name }}” is read, since it has the
        most rows. To bring another one, save it as a file of its own.
      </p>
      <ColumnMatcher
        v-if="
          data.layout && session.mayWrite && !data.hasWritten && ['uploaded', 'checked', 'failed'].includes(data.state)
        "
        :layout="data.layout"
        :mapping="data.mapping"
        @check="(mapping) => act('check', mapping)"
      />
    </template>
  </div>
</template>

<style scoped>
.step {
  margin-bottom: 16px;
}
</style>
