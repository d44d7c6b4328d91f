<script setup lang="ts">
/** What the posts of each tag have brought, beside all posts. */
import { formatCount, formatShare, oneDecimal } from '~~/core/format/numbers'
import type { PostTotals } from '~~/core/tags/tagTotals'
import type { ByTag, TagRow } from '~~/shared/read/byTagBlock'

const props = defineProps<{ byTag: ByTag; isPlain?: boolean }>()
const locale = useLocale()
const rows = computed((): TagRow[] => [...props.byTag.rows, { name: 'All posts', ...props.byTag.all }])
const count = (value: number | undefined) => (value === undefined ? '—' : formatCount(Math.round(value), locale))
const sum = (of: 'impressions' | 'interactions', row: PostTotals) =>
  count(row[of]?.sum) + (row[of] && row[of].of < row.posts ? '*' : '')
const isPartly = computed(() =>
  rows.value.some((row) => (['impressions', 'interactions'] as const).some((of) => row[of] && row[of].of < row.posts)),
)
const COLUMNS = [
  { key: 'tag', label: 'Tag', isWords: true, valueOf: ({ name }: TagRow) => name.toLowerCase() },
  { key: 'posts', label: 'Posts', isFigure: true, valueOf: ({ posts }: TagRow) => posts },
  {
    key: 'impressions',
    label: 'Impressions',
    isFigure: true,
    valueOf: ({ impressions }: TagRow) => impressions?.sum ?? -1,
    textOf: (row: TagRow) => sum('impressions', row),
  },
  {
    key: 'interactions',
    label: 'Interactions',
    isFigure: true,
    valueOf: ({ interactions }: TagRow) => interactions?.sum ?? -1,
    textOf: (row: TagRow) => sum('interactions', row),
  },
  {
    key: 'rate',
    label: 'Interactions for each impression',
    isFigure: true,
    valueOf: ({ rate }: TagRow) => rate?.low ?? -1,
  },
  {
    key: 'middle',
    label: 'Median post, interactions',
    isFigure: true,
    valueOf: ({ middle }: TagRow) => middle ?? -1,
    textOf: ({ middle }: TagRow) => count(middle),
  },
  {
    key: 'times',
    label: 'Median post, times usual',
    isFigure: true,
    valueOf: ({ times }: TagRow) => times ?? -1,
    textOf: ({ times }: TagRow) => (times === undefined ? '—' : `${oneDecimal(times, locale)} ×`),
  },
]
</script>

<template>
  <div>
    <OrderedTable
      name="tag-order"
      :columns="COLUMNS"
      :rows="rows"
      :key-of="({ tag, name }) => tag ?? name"
      :is-plain="isPlain"
    >
      <template #tag="{ row }"
        ><TagName v-if="row.colour" :name="row.name" :colour="row.colour" /><i v-else>{{ row.name }}</i></template
      >
      <template #rate="{ row }"
        ><template v-if="row.rate"
          >{{ formatShare(row.rate.value, locale) }}
          <span class="quiet"
            >{{ formatShare(row.rate.low, locale, 'down') }} to {{ formatShare(row.rate.high, locale, 'up') }}</span
          ></template
        ><template v-else>—</template></template
      >
    </OrderedTable>
    <p class="quiet small">
      A post with several tags counts for each, so the rows do not add up to all posts. Beside a rate stands its 95 %
      interval. A median is of five posts at the least; usual is the median of the profile’s other posts of ninety days.
      {{ isPartly ? '* Not every post tells it: the sum is of those that do.' : '' }}
    </p>
  </div>
</template>

<style scoped>
.small {
  font-size: var(--text-small);
  margin-top: 4px;
}
</style>
