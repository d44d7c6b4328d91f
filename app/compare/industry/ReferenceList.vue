<script setup lang="ts">
/** The figures of an industry that the client has, from wherever they are. */
import { formatCount } from '~~/core/format/numbers'
import { describeDay } from '~~/core/periods/describePeriod'
import { referenceMeasure } from '~~/core/industry/reference'
import { networkById } from '~~/core/networks/networks'
import type { KeptReference } from '~~/shared/compare/industry'
import { measureValue, referenceWords } from '~~/shared/compare/industryWords'

defineProps<{ references: KeptReference[] }>()
const emit = defineEmits<{ change: [reference: KeptReference]; remove: [reference: KeptReference] }>()
const session = useSession()
const locale = useLocale()
const said = (one: KeptReference, value: number | undefined) =>
  value === undefined ? '—' : measureValue(one.measure, value, locale)
const sizes = ({ from, below }: KeptReference) =>
  from === undefined && below === undefined
    ? 'any'
    : `${formatCount(from ?? 0, locale)} to ${below === undefined ? '…' : formatCount(below, locale)}`
const COLUMNS = [
  {
    key: 'measure',
    label: 'Measure',
    isWords: true,
    valueOf: ({ measure }: KeptReference) => referenceMeasure(measure).name,
  },
  {
    key: 'network',
    label: 'Network',
    isWords: true,
    valueOf: ({ network }: KeptReference) => (network === '' ? 'any' : networkById(network).name),
  },
  {
    key: 'size',
    label: 'Followers',
    isFigure: true,
    valueOf: ({ from }: KeptReference) => from ?? -1,
    textOf: sizes,
  },
  ...(['lower', 'middle', 'upper'] as const).map((part) => ({
    key: part,
    label: { lower: 'Lower quartile', middle: 'Middle', upper: 'Upper quartile' }[part],
    isFigure: true,
    valueOf: (one: KeptReference) => one[part] ?? -2,
    textOf: (one: KeptReference) => said(one, one[part]),
  })),
  {
    key: 'source',
    label: 'Source',
    isWords: true,
    valueOf: ({ source }: KeptReference) => source,
    textOf: ({ source, isInvented }: KeptReference) => `${source}${isInvented ? ' (invented)' : ''}`,
  },
  {
    key: 'day',
    label: 'Of',
    isWords: true,
    valueOf: ({ day }: KeptReference) => day,
    textOf: ({ day }: KeptReference) => describeDay(day),
  },
]
const nameOf = (one: KeptReference) => referenceWords(one, locale).split(':')[0]
</script>

<template>
  <OrderedTable
    name="references"
    :columns="COLUMNS"
    :rows="references"
    :key-of="({ id }) => id"
    :most="20"
    :end-label="session.mayWrite ? 'What to do' : undefined"
  >
    <template #end="{ row }"
      ><span class="no-print acts"
        ><Button
          label="Change"
          :aria-label="`Change the figure: ${nameOf(row)}`"
          aria-haspopup="dialog"
          size="small"
          text
          @click="emit('change', row)" /><Button
          label="Remove"
          :aria-label="`Remove: ${nameOf(row)}`"
          size="small"
          text
          @click="emit('remove', row)" /></span
    ></template>
  </OrderedTable>
</template>

<style scoped>
.acts {
  display: inline-flex;
}
</style>
