<script setup lang="ts">
/** Posts from a file: what each row becomes is seen before anything is written. */
import { MOST_SHEET_BYTES, type PlanSheet } from '~~/shared/plan/plannedPosts'
import type { Period } from '~~/core/periods/period'

const props = defineProps<{ period: Period }>()
const emit = defineEmits<{ close: []; changed: [] }>()
const say = useSay()
const { base } = useClient()
const file = shallowRef<File>()
const preview = ref<PlanSheet>()
const problem = ref('')
const isBusy = ref(false)
const good = computed(() => preview.value?.rows.filter((row) => row.problem === undefined).length ?? 0)
const taken = (format: string) =>
  `${base.value}/plan/sheet?${new URLSearchParams({ format, from: props.period.from, to: props.period.to })}`
const template = (format: string) => `${base.value}/plan/sheet/template?format=${format}`
async function ask(isTaken: boolean) {
  if (!file.value) return
  problem.value = ''
  isBusy.value = true
  try {
    const answer = await sendFile<PlanSheet>(
      `${base.value}/plan/sheet${isTaken ? '?take=yes' : ''}`,
      file.value,
      () => {},
    )
    preview.value = answer
    if (isTaken) {
      const { ids } = answer
      emit('changed')
      emit('close')
      say.done(`${ids.length} ${ids.length === 1 ? 'draft stands' : 'drafts stand'} in the calendar.`, async () => {
        await api(`${base.value}/plan/posts/remove`, { method: 'POST', body: { ids } })
        emit('changed')
      })
    }
  } catch (trouble) {
    problem.value = (trouble as Error).message
  }
  isBusy.value = false
}
async function bring(given: File | undefined) {
  preview.value = undefined
  problem.value = ''
  file.value = given
  if (given && given.size > MOST_SHEET_BYTES) problem.value = 'Bring a file of at most 2 MB.'
  else await ask(false)
}
const bringFrom = (event: Event) => bring((event.target as HTMLInputElement).files?.[0])
</script>

<template>
  <OpeningDialog label="Posts from a file" width="46rem" @close="emit('close')">
    <p>
      A CSV or a workbook with the columns Day, Time, Profiles and Text, and others where a network needs them. Each row
      becomes a draft. Begin with the template (<a :href="template('csv')" download>CSV</a>,
      <a :href="template('xlsx')" download>workbook</a>), or with what is planned in these days (<a
        :href="taken('csv')"
        download
        >CSV</a
      >, <a :href="taken('xlsx')" download>workbook</a>).
    </p>
    <label
      ><span class="field-label">File</span>{{ ' ' }}
      <input type="file" accept=".csv,.tsv,.txt,.xlsx" :disabled="isBusy" @change="bringFrom"
    /></label>
    <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
    <div v-if="preview" aria-live="polite">
      <p>
        {{ good }} of {{ preview.rows.length }} rows can be taken. Times are those of {{ preview.zone }}.
        <template v-if="preview.unread.length">Not read: {{ preview.unread.join(', ') }}.</template>
      </p>
      <ol>
        <li v-for="row in preview.rows" :key="row.row">
          <span class="quiet">Row {{ row.row }}:</span> {{ row.day }} {{ row.time }}, {{ row.profiles }}: {{ row.text }}
          <p v-if="row.problem" class="field-error">{{ row.problem }}</p>
          <p v-for="warning in row.warnings" :key="warning" class="quiet">As a draft: {{ warning }}</p>
        </li>
      </ol>
      <Button
        :label="`Write ${good} ${good === 1 ? 'draft' : 'drafts'}`"
        :disabled="isBusy || good === 0"
        @click="ask(true)"
      />
    </div>
  </OpeningDialog>
</template>

<style scoped>
ol {
  list-style: none;
  max-height: 40vh;
  overflow: auto;
  margin: 8px 0;
}
li {
  border-top: 1px solid var(--rule);
  padding: 4px 0;
}
</style>
