<script setup lang="ts">
import { describeInstant } from '~~/core/periods/describePeriod'
import type { OrderedColumn } from '~/platform/useTableOrder'
import type { ReportHead } from '~~/shared/report/reports'
import { newBlock } from '~/report/reports/newBlock'

const session = useSession()
const { tick } = useFirstSteps()
const { slug, base } = useClient()
const { data, error, refetch } = useQuery({
  key: () => ['reports', slug.value],
  query: () => api<ReportHead[]>(`${base.value}/reports`),
})
const title = ref('')
const problem = ref('')
const COLUMNS: (OrderedColumn<ReportHead> & { label: string })[] = [
  { key: 'title', label: 'Report', valueOf: ({ title: name }) => name.toLowerCase() },
  { key: 'period', label: 'Period', valueOf: ({ period }) => period },
  { key: 'blocks', label: 'Blocks', isFigure: true, valueOf: ({ blocks }) => blocks },
  { key: 'editions', label: 'Editions', isFigure: true, valueOf: ({ editions }) => editions },
  { key: 'changed', label: 'Changed', isFigure: true, valueOf: ({ changedAt }) => changedAt.getTime() },
]
const { ordered, select, orderOf } = useTableOrder(
  'sort',
  () => COLUMNS,
  () => data.value ?? [],
)
useHead({ title: 'Reports · Zaffer' })

async function add() {
  problem.value = ''
  try {
    const blocks = [newBlock('figures'), newBlock('chart'), newBlock('table')]
    const { id } = await api<{ id: number }>(`${base.value}/reports`, {
      method: 'POST',
      body: { title: title.value, blocks },
    })
    tick('report')
    await navigateTo(`/${slug.value}/reports/${id}`)
  } catch (trouble) {
    problem.value = (trouble as Error).message
  }
}
async function copyOf(report: ReportHead) {
  try {
    const { id } = await api<{ id: number }>(`${base.value}/reports/${report.id}/copy`, { method: 'POST' })
    await refetch()
    await navigateTo(`/${slug.value}/reports/${id}`)
  } catch (trouble) {
    problem.value = (trouble as Error).message
  }
}
const takeAway = useRemoval(refetch)
const remove = (report: ReportHead) =>
  takeAway(`${base.value}/reports/${report.id}`, `“${report.title}” was removed; its editions stay.`)
</script>

<template>
  <div>
    <PageHead title="What do we tell the client?" />
    <p v-if="error" role="alert">{{ error.message }}</p>
    <table v-if="data?.length" class="plain-table">
      <thead>
        <tr>
          <OrderHeading
            v-for="column in COLUMNS"
            :key="column.key"
            :label="column.label"
            :is-words="column.key === 'period'"
            :order="orderOf(column.key)"
            @select="select(column)"
          />
          <th scope="col"><span class="hidden-but-read">What can be done</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="report in ordered" :key="report.id">
          <td>
            <NuxtLink :to="`/${slug}/reports/${report.id}`">{{ report.title }}</NuxtLink>
          </td>
          <td class="words">{{ report.period.replaceAll('-', ' ').replace('..', ' to ') }}</td>
          <td>{{ report.blocks }}</td>
          <td>{{ report.editions }}</td>
          <td>{{ describeInstant(report.changedAt) }}</td>
          <td>
            <Button
              v-if="session.mayWrite"
              label="Copy"
              text
              size="small"
              :aria-label="`Copy “${report.title}”`"
              @click="copyOf(report)"
            /><Button
              v-if="session.mayWrite"
              label="Remove"
              text
              size="small"
              :aria-label="`Remove “${report.title}”`"
              @click="remove(report)"
            />
          </td>
        </tr>
      </tbody>
    </table>
    <p v-else-if="data" class="quiet">
      No report yet. A report is a page of blocks, live until an edition of it is issued.
    </p>
    <form v-if="session.mayWrite" class="row new" @submit.prevent="add">
      <label for="new-report" class="field-label">A new report called</label>
      <InputText id="new-report" v-model="title" :invalid="problem !== ''" />
      <Button type="submit" label="Begin it" outlined />
      <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
    </form>
  </div>
</template>

<style scoped>
.new {
  margin-top: 18px;
}
</style>
