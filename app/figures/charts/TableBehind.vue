<script setup lang="ts" generic="Row">
/** What is said below a drawing, and the table of its numbers one key away. */
import type { OrderedColumn } from '~/platform/useTableOrder'

defineProps<{
  /** The part of the address that keeps the order. */ name: string
  columns: readonly (OrderedColumn<Row> & { label: string; isWords?: boolean; textOf?: (row: Row) => string })[]
  rows: readonly Row[]
  keyOf: (row: Row) => string | number
  /** What the button says, to show it and to hide it. */ show: string
  hide: string
}>()
const isShown = ref(false)
</script>

<template>
  <div>
    <p class="quiet">
      <slot />
      {{ ' ' }}
      <button type="button" class="bare no-print" :aria-expanded="isShown" @click="isShown = !isShown">
        {{ isShown ? hide : show }}
      </button>
    </p>
    <OrderedTable v-if="isShown" :name="name" :columns="columns" :rows="rows" :key-of="keyOf" />
  </div>
</template>

<style scoped>
p {
  font-size: var(--text-small);
}
button {
  color: var(--zaffer);
  text-decoration: underline;
  padding: 3px 0;
}
</style>
