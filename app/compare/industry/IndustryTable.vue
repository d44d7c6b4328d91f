<script setup lang="ts">
/** The client's profiles beside the figures of its industry: where each value lies, and whose figure that is. */
import { formatCount, oneDecimal } from '~~/core/format/numbers'
import { referenceMeasure } from '~~/core/industry/reference'
import type { IndustryRow } from '~~/shared/compare/industry'
import { measureValue, sizeWords, sourceWords } from '~~/shared/compare/industryWords'

defineProps<{ rows: IndustryRow[]; isPlain?: boolean }>()
const locale = useLocale()
const said = (row: IndustryRow, value: number | undefined) =>
  value === undefined ? '—' : measureValue(row.measure, value, locale)
const COLUMNS = [
  {
    key: 'measure',
    label: 'Measure',
    isWords: true,
    valueOf: ({ measure }: IndustryRow) => referenceMeasure(measure).name,
  },
  {
    key: 'profile',
    label: 'Profile',
    isWords: true,
    valueOf: ({ name, networkName }: IndustryRow) => `${name}, ${networkName}`,
  },
  {
    key: 'followers',
    label: 'Followers',
    isFigure: true,
    valueOf: ({ followers }: IndustryRow) => followers ?? -1,
    textOf: ({ followers }: IndustryRow) => (followers === undefined ? '—' : formatCount(followers, locale)),
  },
  {
    key: 'value',
    label: 'Value',
    isFigure: true,
    valueOf: ({ value }: IndustryRow) => value,
    textOf: (row: IndustryRow) => said(row, row.value),
  },
  {
    key: 'middle',
    label: 'Middle of the industry',
    isFigure: true,
    valueOf: ({ reference }: IndustryRow) => reference.middle,
    textOf: (row: IndustryRow) => said(row, row.reference.middle),
  },
  {
    key: 'index',
    label: 'Index',
    isFigure: true,
    valueOf: ({ index }: IndustryRow) => index ?? -1,
    textOf: ({ index }: IndustryRow) => (index === undefined ? '—' : oneDecimal(index, locale)),
  },
  { key: 'place', label: 'Where it lies', isWords: true, valueOf: ({ place }: IndustryRow) => place },
  {
    key: 'source',
    label: 'Beside whom',
    isWords: true,
    isQuiet: true,
    valueOf: ({ reference }: IndustryRow) => sourceWords(reference),
  },
]
</script>

<template>
  <OrderedTable
    name="industry"
    :columns="COLUMNS"
    :rows="rows"
    :key-of="({ measure, profile, reference }) => `${measure} ${profile} ${reference.source}`"
    :is-plain="isPlain"
    :most="isPlain ? undefined : 20"
  >
    <template #place="{ row }"
      ><span class="place">{{ row.place }}</span></template
    >
    <template #middle="{ row }"
      >{{ said(row, row.reference.middle)
      }}<span v-if="row.reference.lower !== undefined || row.reference.upper !== undefined" class="quartiles"
        >{{ said(row, row.reference.lower) }} to {{ said(row, row.reference.upper) }}</span
      ></template
    >
    <template #source="{ row }"
      ><span class="source"
        >{{ sourceWords(row.reference)
        }}<template v-if="row.reference.from !== undefined || row.reference.below !== undefined"
          >; {{ sizeWords(row.reference, locale) }}</template
        ></span
      ></template
    >
  </OrderedTable>
</template>

<style scoped>
.quartiles {
  display: block;
  font-size: var(--text-small);
  color: var(--ink3);
  white-space: nowrap;
}
.place {
  white-space: nowrap;
}
.source {
  font-size: var(--text-small);
}
</style>
