<script setup lang="ts">
/** Who stands in the first three, and at how many points. */
import { DEPTH } from '~~/core/ranks/rankFigures'
import { shortDay } from '~~/core/periods/describePeriod'
import type { RankStanding, RankView } from '~~/shared/read/ranks'
import { middleWords } from './rankWords'

const props = defineProps<{ view: RankView; isPlain?: boolean }>()
const locale = useLocale()
const place = ({ low }: { low: number | null }) => low ?? DEPTH + 1
const COLUMNS = computed(() => {
  const { now, before } = props.view
  return [
    { key: 'name', label: 'Who', isWords: true, valueOf: ({ name }: RankStanding) => name },
    ...(before
      ? [
          {
            key: 'before',
            label: shortDay(before.day),
            isFigure: true,
            valueOf: (row: RankStanding) => row.before?.first ?? -1,
            textOf: (row: RankStanding) => String(row.before?.first ?? '—'),
          },
        ]
      : []),
    {
      key: 'first',
      label: now ? shortDay(now.day) : 'Points',
      isFigure: true,
      valueOf: ({ first }: RankStanding) => first,
    },
    ...(before
      ? [
          {
            key: 'difference',
            label: 'Difference',
            isFigure: true,
            valueOf: ({ first, before: past }: RankStanding) => first - (past?.first ?? 0),
            textOf: ({ first, before: past }: RankStanding) => {
              const difference = first - (past?.first ?? 0)
              return `${difference > 0 ? '+' : difference < 0 ? '−' : ''}${Math.abs(difference)}`
            },
          },
        ]
      : []),
    {
      key: 'middle',
      label: 'Median rank',
      valueOf: ({ middle }: RankStanding) => place(middle),
      textOf: ({ middle }: RankStanding) => middleWords(middle, locale),
    },
  ]
})
</script>

<template>
  <WideContent label="Who stands in the first three">
    <OrderedTable
      name="standings"
      :columns="COLUMNS"
      :rows="view.standings"
      :key-of="({ name }) => name"
      :is-plain="isPlain"
    >
      <template #name="{ row }"
        ><strong v-if="row.isOwn">{{ row.name }}</strong
        ><template v-else>{{ row.name }}</template></template
      >
    </OrderedTable>
  </WideContent>
</template>
