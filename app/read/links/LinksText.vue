<script setup lang="ts">
/** Tracked links with their clicks in a period. */
import { formatCount } from '~~/core/format/numbers'
import { describeDay } from '~~/core/periods/describePeriod'
import type { LinkList, LinkView } from '~~/shared/read/links'

const props = defineProps<{
  list: LinkList
  isPlain?: boolean
  /** The link whose clicks stand in the margin. */ chosen?: number
  /** Where this application is, for the addresses of the links. */ origin?: string
}>()
const emit = defineEmits<{ select: [link: LinkView] }>()
const locale = useLocale()
const count = (value: number) => formatCount(value, locale)
const siteOf = (target: string) => target.replace(/^https?:\/\//, '')
const COLUMNS = computed(() => [
  { key: 'name', label: 'Link', isWords: true, valueOf: ({ name }: LinkView) => name.toLowerCase() },
  { key: 'clicks', label: 'Clicks', isFigure: true, valueOf: ({ clicks }: LinkView) => clicks.people },
  ...(props.list.change
    ? [
        {
          key: 'before',
          label: 'Before',
          isFigure: true,
          valueOf: ({ change }: LinkView) => change?.from ?? -1,
          textOf: ({ change }: LinkView) => (change ? count(change.from) : '—'),
        },
        {
          key: 'change',
          label: 'Change',
          isFigure: true,
          valueOf: ({ change }: LinkView) => change?.relative ?? -Infinity,
        },
      ]
    : []),
  {
    key: 'others',
    label: 'Programs',
    isFigure: true,
    valueOf: ({ clicks }: LinkView) => clicks.robots + clicks.prefetches,
    textOf: ({ clicks }: LinkView) => count(clicks.robots + clicks.prefetches),
  },
])
</script>

<template>
  <div>
    <OrderedTable
      name="link-order"
      :columns="COLUMNS"
      :rows="list.links"
      :key-of="({ id }) => id"
      :is-plain="isPlain"
      :end-label="$slots.end ? 'What can be done' : undefined"
    >
      <template #name="{ row }"
        ><b>{{ row.name }}</b
        >{{ ' ' }}<span class="quiet">{{ isPlain || !origin ? `/l/${row.code}` : `${origin}/l/${row.code}` }}</span
        ><span v-if="row.endedAt" class="quiet">, ended {{ describeDay(row.endedAt.toISOString().slice(0, 10)) }}</span>
        <span v-if="row.campaign" class="quiet"> · {{ row.campaign }}</span
        ><span class="target quiet">leads to {{ siteOf(row.target) }}</span></template
      >
      <template #clicks="{ row }"
        ><template v-if="isPlain">{{ count(row.clicks.people) }}</template
        ><button
          v-else
          type="button"
          class="bare figure"
          :aria-pressed="chosen === row.id"
          :aria-label="`${count(row.clicks.people)} clicks of ${row.name}: show how they came`"
          @click="emit('select', row)"
        >
          {{ count(row.clicks.people) }}</button
        ><span v-if="row.today" class="quiet"> + {{ count(row.today) }} today</span></template
      >
      <template #change="{ row }"
        ><CountChangeText v-if="row.change" :change="row.change" /><span v-else class="quiet">{{
          row.isYounger ? `made ${describeDay(row.createdAt.toISOString().slice(0, 10))}` : '—'
        }}</span></template
      >
      <template v-if="$slots.end" #end="{ row }"><slot name="end" :row="row" /></template>
    </OrderedTable>
    <p class="quiet small">
      Clicks are those of people, counted without anything by which one could be told from another: a person who clicks
      twice counts twice. Programs that say so, and what browsers fetch ahead, are counted apart.
    </p>
  </div>
</template>

<style scoped>
.figure {
  border-bottom: 1.5px dotted var(--zaffer);
  color: var(--deep);
}
.figure[aria-pressed='true'] {
  background: var(--wash);
}
.target {
  display: block;
  overflow-wrap: anywhere;
}
.small {
  font-size: var(--text-small);
  margin-top: 4px;
}
</style>
