<script setup lang="ts">
import { describeDay } from '~~/core/periods/describePeriod'
import { FILE_DATASETS } from '~~/core/imports/importTargets'
import { LARGEST_IMPORT_BYTES } from '~~/shared/gather/imports'
import type { OrderedColumn } from '~/platform/useTableOrder'
import type { ImportHead } from '~~/shared/gather/imports'
import { sendFile } from '~/platform/sendFile'
import { IMPORT_STATES } from '~/gather/imports/states'

const session = useSession()
const { slug, base } = useClient()
const { data, error } = useQuery({
  key: () => ['imports', slug.value],
  query: () => api<ImportHead[]>(`${base.value}/imports`),
})
/** By their endings, and by the media types of the same. */
const ACCEPTED = [
  ...['.csv', '.tsv', '.txt', '.xlsx', '.json', '.jsonld'],
  ...['text/csv', 'text/tab-separated-values', 'application/json', 'application/activity+json'],
  'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
].join(',')
const input = ref<HTMLInputElement>()
const problem = ref('')
const sent = ref<number>()
const isOver = ref(false)
const COLUMNS: (OrderedColumn<ImportHead> & { label: string })[] = [
  { key: 'file', label: 'File', valueOf: ({ fileName }) => fileName.toLowerCase() },
  { key: 'state', label: 'State', valueOf: ({ state }) => IMPORT_STATES[state] },
  { key: 'rows', label: 'Rows', isFigure: true, valueOf: ({ summary }) => summary?.rows ?? -1 },
  { key: 'bad', label: 'Bad rows', isFigure: true, valueOf: ({ summary }) => summary?.bad ?? -1 },
  { key: 'days', label: 'Days', isFigure: true, valueOf: ({ summary }) => summary?.from ?? '' },
  { key: 'by', label: 'Brought by', valueOf: ({ createdBy }) => createdBy?.toLowerCase() ?? '' },
]
const { ordered, select, orderOf } = useTableOrder(
  'sort',
  () => COLUMNS,
  () => data.value ?? [],
)
useHead({ title: 'Imports · Zaffer' })

async function bring(file: File | undefined) {
  problem.value = ''
  if (!file) return
  if (file.size === 0) return void (problem.value = `"${file.name}" is empty.`)
  if (file.size > LARGEST_IMPORT_BYTES)
    return void (problem.value = `"${file.name}" is larger than 300 MB. Split it by year and bring the parts.`)
  sent.value = 0
  try {
    const { id } = await sendFile<{ id: number }>(
      `${base.value}/imports?name=${encodeURIComponent(file.name)}`,
      file,
      (percent) => (sent.value = percent),
    )
    await navigateTo(`/${slug.value}/imports/${id}`)
  } catch (trouble) {
    problem.value = (trouble as Error).message
  } finally {
    sent.value = undefined
    if (input.value) input.value.value = ''
  }
}

function drop(event: DragEvent) {
  isOver.value = false
  bring(event.dataTransfer?.files[0])
}
</script>

<template>
  <div>
    <PageHead title="Which figures come from files?" />
    <section
      v-if="session.mayWrite"
      class="bring"
      :class="{ over: isOver }"
      @dragover.prevent="isOver = true"
      @dragleave="isOver = false"
      @drop.prevent="drop"
    >
      <p>
        Bring an export of figures by day, posts, breakdowns or site traffic: a workbook (XLSX), CSV, TSV, semicolons or
        JSON (posts also as Activity Streams). Nothing is written before you have seen what it would do.
      </p>
      <p class="quiet">
        Templates:
        <template v-for="({ id, name }, index) in FILE_DATASETS" :key="id"
          >{{ index > 0 ? ', ' : ''
          }}<a :href="`${base}/imports/template?dataset=${id}`" download>{{ name.toLowerCase() }}</a></template
        >. Their example rows are refused, so they can stay in by mistake.
      </p>
      <label class="pick"
        ><span class="field-label">File</span>{{ ' ' }}
        <input
          ref="input"
          type="file"
          :accept="ACCEPTED"
          :disabled="sent !== undefined"
          @change="bring(($event.target as HTMLInputElement).files?.[0])"
      /></label>
      <ProgressBar v-if="sent !== undefined" :value="sent" aria-label="Sending the file" />
      <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
    </section>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <table v-if="data?.length" class="plain-table">
      <thead>
        <tr>
          <OrderHeading
            v-for="column in COLUMNS"
            :key="column.key"
            :label="column.label"
            :is-words="['state', 'days', 'by'].includes(column.key)"
            :order="orderOf(column.key)"
            @select="select(column)"
          />
        </tr>
      </thead>
      <tbody>
        <tr v-for="item in ordered" :key="item.id">
          <td>
            <NuxtLink :to="`/${slug}/imports/${item.id}`">{{ item.fileName }}</NuxtLink>
          </td>
          <td class="words">{{ IMPORT_STATES[item.state] }}</td>
          <td>{{ item.summary?.rows.toLocaleString() ?? '—' }}</td>
          <td>{{ item.summary?.bad.toLocaleString() ?? '—' }}</td>
          <td class="words">
            {{ item.summary?.from ? `${describeDay(item.summary.from)} to ${describeDay(item.summary.to!)}` : '—' }}
          </td>
          <td class="words">{{ item.createdBy }}</td>
        </tr>
      </tbody>
    </table>
    <p v-else-if="data" class="quiet">No file yet. What you bring is listed here, and can be undone whole.</p>
  </div>
</template>

<style scoped>
.bring {
  border: 1px dashed var(--rule2);
  padding: 14px 16px;
  margin-bottom: 16px;
  display: grid;
  gap: 10px;
}
.over {
  background: var(--wash);
}
</style>
