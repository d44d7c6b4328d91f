<script setup lang="ts">
import { metricById } from '~~/core/metrics/catalogue'
import type { OrderedColumn } from '~/platform/useTableOrder'
import type { RowFigures } from '~~/shared/read/overview'

const props = defineProps<{
  rows: RowFigures[]
  metrics: string[]
  isSelected?: (metric: string, who?: string) => boolean
  isPlain?: boolean
  heading?: string
}>()
const emit = defineEmits<{ select: [metric: string, who: string] }>()

interface TableColumn extends OrderedColumn<RowFigures> {
  header: string
  metric?: string
  isChange: boolean
}

const NONE = Number.NEGATIVE_INFINITY
/** After a rate stands how it has changed, in a column of its own that can be sorted. */
const columns = computed<TableColumn[]>(() => [
  { key: 'name', header: props.heading ?? 'Profile', isChange: false, valueOf: (row) => row.name.toLowerCase() },
  ...props.metrics.flatMap((metric): TableColumn[] => {
    const own: TableColumn = {
      key: metric,
      header: metricById(metric).name,
      metric,
      isFigure: true,
      isChange: false,
      valueOf: ({ figures }) => figures[metric]!.figure.value ?? figures[metric]!.figure.low ?? NONE,
    }
    const change: TableColumn = {
      key: `${metric}_change`,
      header: 'Change in rate',
      metric,
      isFigure: true,
      isChange: true,
      valueOf: ({ figures }) => figures[metric]!.change?.difference ?? NONE,
    }
    return metricById(metric).kind === 'ratio' ? [own, change] : [own]
  }),
])
const { ordered, select, orderOf } = useTableOrder(
  'sort',
  () => columns.value,
  () => props.rows,
)
const shown = computed(() => (props.isPlain ? props.rows : ordered.value))
</script>

<template>
  <table class="plain-table">
    <thead>
      <tr>
        <template v-for="column in columns" :key="column.key">
          <th v-if="isPlain" scope="col">{{ column.header }}</th>
          <OrderHeading v-else :label="column.header" :order="orderOf(column.key)" @select="select(column)" />
        </template>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in shown" :key="row.who ?? row.profile">
        <td v-for="column in columns" :key="column.key">
          <template v-if="!column.metric"
            ><b>{{ row.name }}</b> <span class="network">{{ row.networkName }}</span
            ><span v-if="row.firstFetch" class="network"> · first fetch running</span></template
          >
          <template v-else-if="column.isChange"
            ><ChangeText
              v-if="row.figures[column.metric]!.change && row.figures[column.metric]!.figure.reason === undefined"
              :metric="column.metric"
              :change="row.figures[column.metric]!.change!"
              :shown="row.figures[column.metric]!.figure.value"
              short
            /><span v-else class="network">—</span></template
          >
          <FigureCell
            v-else
            :compared="row.figures[column.metric]!"
            :is-selected="isSelected?.(column.metric, row.who)"
            :is-plain="isPlain"
            :name="
              row.profile === undefined
                ? `${column.header} of ${row.name}, ${row.networkName}`
                : `${column.header} of ${row.name} on ${row.networkName}`
            "
            @select="emit('select', column.metric, row.who)"
          />
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
b {
  white-space: nowrap;
}
.network {
  white-space: nowrap;
  color: var(--ink3);
}
</style>
