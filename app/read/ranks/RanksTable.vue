<script setup lang="ts">
/** All that is looked for, at the doors of its places: how it stood in the period, and whether that has changed. */
import { shortDay } from '~~/core/periods/describePeriod'
import { DEPTH } from '~~/core/ranks/rankFigures'
import type { RankRow, RanksView } from '~~/shared/read/ranks'
import { kindWords, middleWords, rankMark, verdictWords } from './rankWords'

const props = defineProps<{ view: RanksView; isPlain?: boolean; chosen?: number }>()
const emit = defineEmits<{ choose: [id: number] }>()
const locale = useLocale()
const below = DEPTH + 1
const hasBefore = computed(() => props.view.rows.some(({ before }) => before))
const COLUMNS = computed(() => [
  { key: 'keyword', label: 'Keyword', isWords: true, valueOf: ({ keyword }: RankRow) => keyword },
  {
    key: 'here',
    label: 'Rank now',
    valueOf: ({ here }: RankRow) => (here ? (here.rank ?? below) : below + 1),
  },
  {
    key: 'middle',
    label: 'Median',
    valueOf: ({ now }: RankRow) => now.middle?.low ?? below,
    textOf: ({ now }: RankRow) => (now.middle ? middleWords(now.middle, locale) : '—'),
  },
  {
    key: 'range',
    label: 'Best to worst',
    valueOf: ({ now }: RankRow) => now.best ?? below,
    textOf: ({ now }: RankRow) =>
      now.checks > 0 ? `${now.best ?? '–'} to ${now.worst === null ? '–' : now.worst}` : '—',
  },
  {
    key: 'first',
    label: 'In the first three',
    valueOf: ({ now }: RankRow) => (now.checks > 0 ? now.first / now.checks : -1),
    textOf: ({ now }: RankRow) => (now.checks > 0 ? `${now.first} of ${now.checks} checks` : '—'),
  },
  ...(hasBefore.value
    ? [
        {
          key: 'before',
          label: 'Median before',
          isWords: true,
          valueOf: ({ before }: RankRow) => before?.middle?.low ?? below,
          textOf: (row: RankRow) =>
            row.before?.middle ? `${middleWords(row.before.middle, locale)}; ${verdictWords(row)}` : '—',
        },
      ]
    : []),
])
</script>

<template>
  <div>
    <WideContent label="Ranks">
      <OrderedTable name="ranks" :columns="COLUMNS" :rows="view.rows" :key-of="({ id }) => id" :is-plain="isPlain">
        <template #keyword="{ row }"
          ><strong v-if="isPlain">{{ row.keyword }}</strong
          ><button
            v-else
            type="button"
            class="bare as-link"
            :aria-pressed="row.id === chosen"
            @click="emit('choose', row.id)"
          >
            {{ row.keyword }}</button
          ><span class="quiet remark">{{ row.place.name }}, {{ kindWords(row.kind) }}</span></template
        >
        <template #here="{ row }"
          ><template v-if="row.here"
            >{{ rankMark(row.here.rank) }} <span class="quiet day">{{ shortDay(row.here.day) }}</span></template
          ><template v-else>—</template></template
        >
      </OrderedTable>
    </WideContent>
    <p class="quiet small">
      Ranks at the doors of the places; a dash is not among the first {{ DEPTH }}. Two periods differ clearly where
      chance alone would part their checks as far in fewer than one of twenty cases (rank-sum test, from four checks on
      each side).
    </p>
  </div>
</template>

<style scoped>
.remark {
  display: block;
  font-size: var(--text-small);
}
.day {
  font-size: var(--text-small);
  white-space: nowrap;
  margin-left: 4px;
}
.small {
  font-size: var(--text-small);
  margin: 6px 0;
}
</style>
