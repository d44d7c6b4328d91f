<script setup lang="ts">
import { metricById } from '~~/core/metrics/catalogue'
import type { ProfileFigures } from '~~/server/work/overview'

const props = defineProps<{ rows: ProfileFigures[]; metrics: string[]; isSelected?: (metric: string, profile?: number) => boolean; isPlain?: boolean }>()
const emit = defineEmits<{ select: [metric: string, profile: number] }>()

/** After a rate stands how it has changed; a level of change in a column of its own can be sorted. */
const columns = computed(() => props.metrics.flatMap((id) => (metricById(id).kind === 'ratio' ? [{ id, isChange: false }, { id, isChange: true }] : [{ id, isChange: false }])))
const order = (id: string, isChange: boolean) => ((row: ProfileFigures) => {
  const compared = row.figures[id]!
  return isChange ? compared.change?.difference ?? -Infinity : compared.figure.value ?? compared.figure.low ?? -Infinity
}) as unknown as (row: ProfileFigures) => string // the table compares numbers too
</script>

<template>
  <DataTable :value="rows" data-key="profile" removable-sort :default-sort-order="-1" class="profiles" :class="{ plain: isPlain }">
    <Column field="name" header="Profile" :sortable="!isPlain">
      <template #body="{ data: row }"><b>{{ row.name }}</b> <span class="network">{{ row.networkName }}</span><span v-if="row.firstFetch" class="network"> · first fetch running</span></template>
    </Column>
    <Column v-for="column in columns" :key="column.id + column.isChange" :header="column.isChange ? 'Change in rate' : metricById(column.id).name" :sort-field="order(column.id, column.isChange)" :sortable="!isPlain" class="number">
      <template #body="{ data: row }">
        <template v-if="column.isChange"><ChangeText v-if="row.figures[column.id].change && row.figures[column.id].figure.reason === undefined" :metric="column.id" :change="row.figures[column.id].change" short /><span v-else class="network">—</span></template>
        <FigureCell v-else :figure="row.figures[column.id].figure" :is-selected="isSelected?.(column.id, row.profile)" :is-plain="isPlain" :name="`${metricById(column.id).name} of ${row.name}`" @select="emit('select', column.id, row.profile)" />
      </template>
    </Column>
  </DataTable>
</template>

<style scoped>
b { white-space: nowrap; }
.network { white-space: nowrap; color: var(--ink3); margin-left: 4px; }
.profiles :deep(table) { width: 100%; font-size: 0.964rem; }
.profiles :deep(th) { font-size: var(--text-small); color: var(--ink2); border-bottom: 1px solid var(--rule2); }
.profiles :deep(:is(th, td):first-child) { padding-left: 2px; }
.profiles :deep(.number) { text-align: right; }
.profiles :deep(th.number .p-datatable-column-header-content) { justify-content: flex-end; }
.profiles :deep(td) { border-bottom: 1px solid var(--rule); }
</style>
