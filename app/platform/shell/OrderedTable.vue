<script setup lang="ts" generic="Row">
/** A table whose headings order it, in the address too. A cell shows its column's text, or what the slot of its column's key draws. */
import type { OrderedColumn } from '~/platform/useTableOrder'

interface TableColumn extends OrderedColumn<Row> {
  label: string
  isWords?: boolean
  isQuiet?: boolean
  /** Where the order is by something else than what is read. */ textOf?: (row: Row) => string
}

const props = defineProps<{
  /** The part of the address that keeps the order. */ name: string
  columns: readonly TableColumn[]
  rows: readonly Row[]
  keyOf: (row: Row) => string | number
  /** What the slot `end` holds, for those who do not see it. */ endLabel?: string
  /** How many rows are shown until all are asked for; all of them where it is left out. */
  most?: number
  /** Whether it stands still: in an edition everything is as it was issued. */ isPlain?: boolean
}>()
defineSlots<{ [key: string]: (scope: { row: Row }) => unknown }>()
const { ordered, select, orderOf } = useTableOrder(
  props.name,
  () => props.columns,
  () => props.rows,
)
const isAll = ref(false)
const isCut = computed(() => props.most !== undefined && props.rows.length > props.most)
const shown = computed(() => {
  const all = props.isPlain ? props.rows : ordered.value
  return isCut.value && !isAll.value ? all.slice(0, props.most) : all
})
</script>

<template>
  <table class="plain-table">
    <thead>
      <tr>
        <template v-for="column in columns" :key="column.key">
          <th v-if="isPlain" scope="col" :class="{ words: column.isWords }">{{ column.label }}</th>
          <OrderHeading
            v-else
            :label="column.label"
            :is-words="column.isWords"
            :order="orderOf(column.key)"
            @select="select(column)"
          />
        </template>
        <th v-if="endLabel" scope="col">
          <span class="hidden-but-read">{{ endLabel }}</span>
        </th>
      </tr>
    </thead>
    <tbody>
      <tr v-for="row in shown" :key="keyOf(row)">
        <td v-for="column in columns" :key="column.key" :class="{ words: column.isWords, quiet: column.isQuiet }">
          <slot :name="column.key" :row="row">{{ column.textOf ? column.textOf(row) : column.valueOf(row) }}</slot>
        </td>
        <slot name="end" :row="row" />
      </tr>
    </tbody>
    <tfoot v-if="isCut && !isPlain" class="no-print">
      <tr>
        <td :colspan="columns.length" class="words">
          <button type="button" class="bare as-link" :aria-expanded="isAll" @click="isAll = !isAll">
            {{ isAll ? `The first ${most}` : `All ${rows.length}` }}
          </button>
        </td>
      </tr>
    </tfoot>
  </table>
</template>
