<script setup lang="ts">
import { metricById } from '~~/core/metrics/catalogue'
import type { RowFigures } from '~~/server/work/overview'

const props = defineProps<{ rows: RowFigures[]; metrics: string[]; isSelected?: (metric: string, who?: string) => boolean; isPlain?: boolean; heading?: string }>()
const emit = defineEmits<{ select: [metric: string, who: string] }>()

interface TableColumn {
  key: string
  header: string
  metric?: string
  isChange: boolean
  valueOf: (row: RowFigures) => string | number
}

const NONE = Number.NEGATIVE_INFINITY
/** After a rate stands how it has changed, in a column of its own that can be sorted. */
const columns = computed<TableColumn[]>(() => [
  { key: 'name', header: props.heading ?? 'Profile', isChange: false, valueOf: (row) => row.name.toLowerCase() },
  ...props.metrics.flatMap((metric): TableColumn[] => {
    const own: TableColumn = { key: metric, header: metricById(metric).name, metric, isChange: false, valueOf: ({ figures }) => figures[metric]!.figure.value ?? figures[metric]!.figure.low ?? NONE }
    const change: TableColumn = { key: `${metric} change`, header: 'Change in rate', metric, isChange: true, valueOf: ({ figures }) => figures[metric]!.change?.difference ?? NONE }
    return metricById(metric).kind === 'ratio' ? [own, change] : [own]
  }),
])
const sorted = ref<{ key: string; isDown: boolean }>()
const shown = computed(() => {
  const column = columns.value.find(({ key }) => key === sorted.value?.key)
  if (!column) return props.rows
  const [first, second] = sorted.value!.isDown ? [1, -1] : [-1, 1]
  return [...props.rows].sort((a, b) => (column.valueOf(a) < column.valueOf(b) ? first : column.valueOf(a) > column.valueOf(b) ? second : 0))
})

/** Figures begin with the largest, names with A; the third time the order is as it was. */
function sort({ key, metric }: TableColumn) {
  const firstDown = metric !== undefined
  if (sorted.value?.key !== key) sorted.value = { key, isDown: firstDown }
  else if (sorted.value.isDown === firstDown) sorted.value = { key, isDown: !firstDown }
  else sorted.value = undefined
}
const order = ({ key }: TableColumn) => (sorted.value?.key !== key ? undefined : sorted.value.isDown ? 'descending' : 'ascending')
</script>

<template>
  <table class="plain-table">
    <thead>
      <tr>
        <th v-for="column in columns" :key="column.key" scope="col" :aria-sort="order(column)">
          <template v-if="isPlain">{{ column.header }}</template>
          <button v-else type="button" class="bare" @click="sort(column)">{{ column.header }}<span class="order" aria-hidden="true">{{ { descending: '▼', ascending: '▲' }[order(column)!] ?? '' }}</span></button>
        </th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in shown" :key="row.who ?? row.profile">
        <td v-for="column in columns" :key="column.key">
          <template v-if="!column.metric"><b>{{ row.name }}</b> <span class="network">{{ row.networkName }}</span><span v-if="row.firstFetch" class="network"> · first fetch running</span></template>
          <template v-else-if="column.isChange"><ChangeText v-if="row.figures[column.metric]!.change && row.figures[column.metric]!.figure.reason === undefined" :metric="column.metric" :change="row.figures[column.metric]!.change!" :shown="row.figures[column.metric]!.figure.value" short /><span v-else class="network">—</span></template>
          <FigureCell v-else :compared="row.figures[column.metric]!" :is-selected="isSelected?.(column.metric, row.who)" :is-plain="isPlain" :name="row.profile === undefined ? `${column.header} of ${row.name}, ${row.networkName}` : `${column.header} of ${row.name} on ${row.networkName}`" @select="emit('select', column.metric, row.who)" />
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
b { white-space: nowrap; }
.network { white-space: nowrap; color: var(--ink3); }
th button { font-weight: 600; padding: 2px 0; }
th button:hover { color: var(--ink); text-decoration: underline dotted; text-underline-offset: 3px; }
.order { font-size: 0.7em; margin-left: 4px; }
</style>
