<script setup lang="ts">
import { isMetric, metricById } from '~~/core/metrics/catalogue'
import type { Report } from '~~/server/reports/reports'
import type { Block } from '~~/shared/scope'
import { newBlock } from './blocks'

const shell = useShell()
const route = useRoute()
const say = useSay()
const cache = useQueryCache()
const { slug, base } = useClient()
const { data: reports } = useQuery({ key: () => ['reports', slug.value], query: () => api<Report[]>(`${base.value}/reports`) })
const metric = computed(() => (isMetric(String(route.query.metric)) ? String(route.query.metric) : 'impressions'))
const WHAT = computed<{ value: Block['kind']; name: string }[]>(() => [
  { value: 'figures', name: 'The headline figures' }, { value: 'chart', name: `The line of ${metricById(metric.value).name.toLowerCase()}` }, { value: 'table', name: 'The table by profile' },
  { value: 'why', name: `Why ${metricById(metric.value).name.toLowerCase()} changed` }, { value: 'unusual', name: 'The unusual days' },
])
const what = ref<Block['kind']>('figures')
const into = ref<number>()
const problem = ref('')
watchEffect(() => (into.value ??= reports.value?.[0]?.id))

async function add() {
  problem.value = ''
  try {
    const { report } = await api<{ report: Report }>(`${base.value}/reports/${into.value}`)
    const block = ['chart', 'why', 'unusual'].includes(what.value) ? newBlock(what.value, [metric.value]) : newBlock(what.value)
    await api(`${base.value}/reports/${report.id}`, { method: 'PUT', body: { ...report, blocks: [...report.blocks, block] } })
    await cache.invalidateQueries({ key: ['reports'] })
    shell.isAddOpen = false
    say.done(`It stands at the end of “${report.title}”.`)
  } catch (error) {
    problem.value = (error as Error).message
  }
}
</script>

<template>
  <Dialog v-model:visible="shell.isAddOpen" modal header="Add to a report" :style="{ width: '26rem' }">
    <form @submit.prevent="add">
      <div class="field"><span id="add-what" class="field-label">What</span>
        <div v-for="choice in WHAT" :key="choice.value" class="row"><RadioButton v-model="what" :input-id="`add-${choice.value}`" name="what" :value="choice.value" /><label :for="`add-${choice.value}`">{{ choice.name }}</label></div>
      </div>
      <div class="field"><label for="add-into">To</label><Select v-model="into" input-id="add-into" :options="reports ?? []" option-label="title" option-value="id" aria-label="Report" /></div>
      <p v-if="reports?.length === 0" class="quiet">There is no report yet. Begin one under Reports.</p>
      <p class="quiet">A report has its own period, so the figures there can be of other days.</p>
      <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
      <Button type="submit" label="Add it" :disabled="into === undefined" />
    </form>
  </Dialog>
</template>
