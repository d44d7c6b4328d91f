<script setup lang="ts">
/** A count by its parts, with the part that each has of all. */
import { formatCount, formatShare } from '~~/core/format/numbers'

interface Part {
  name: string
  count: number
}
const props = defineProps<{
  name: string
  label: string
  parts: readonly Part[]
  figure: string
  base: string
  isPlain?: boolean
}>()
const locale = useLocale()
const all = computed(() => props.parts.reduce((sum, { count }) => sum + count, 0))
const COLUMNS = computed(() => [
  { key: 'name', label: props.label, isWords: true, valueOf: ({ name }: Part) => name },
  {
    key: 'count',
    label: props.figure,
    isFigure: true,
    valueOf: ({ count }: Part) => count,
    textOf: ({ count }: Part) => formatCount(count, locale),
  },
  {
    key: 'share',
    label: props.base,
    isFigure: true,
    valueOf: ({ count }: Part) => count,
    textOf: ({ count }: Part) => (all.value > 0 ? formatShare(count / all.value, locale) : '—'),
  },
])
</script>

<template>
  <OrderedTable :name="name" :columns="COLUMNS" :rows="parts" :key-of="(part) => part.name" :is-plain="isPlain" />
</template>
