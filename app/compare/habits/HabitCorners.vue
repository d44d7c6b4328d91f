<script setup lang="ts">
/** Where rivals post little, and how posts do there. */
import { formatCount, oneDecimal } from '~~/core/format/numbers'
import type { Corner } from '~~/core/habits/corners'
import { networkById } from '~~/core/networks/networks'
import type { HabitsView } from '~~/shared/compare/habits'
import { standsWords, timesWords } from './habitsWords'

const props = defineProps<{ habits: HabitsView; sign: string; isPlain?: boolean }>()
const locale = useLocale()
/** Quiet and good comes first; what is said of the others follows. */
const saidOf = (row: Corner) =>
  [
    row.average === 0 ? 'no rival on this network' : row.isQuiet ? 'quiet' : '',
    row.stands || row.isQuiet ? standsWords(row) : '',
  ]
    .filter(Boolean)
    .join(', ')
const hasRivals = computed(() => props.habits.members.some(({ isOwn }) => !isOwn))
const found = computed(() => props.habits.corners.filter(({ isQuiet, stands }) => isQuiet && stands === 'above'))
const COLUMNS = computed(() => [
  { key: 'network', label: 'Network', isWords: true, valueOf: ({ network }: Corner) => networkById(network).name },
  { key: 'place', label: 'Corner', isWords: true, valueOf: ({ place }: Corner) => `${props.sign}${place}` },
  {
    key: 'rivals',
    label: 'Posts of rivals',
    valueOf: ({ rivals }: Corner) => rivals,
    textOf: ({ rivals }: Corner) => formatCount(rivals, locale),
  },
  {
    key: 'average',
    label: 'On average',
    isQuiet: true,
    valueOf: ({ average }: Corner) => average,
    textOf: ({ average }: Corner) => oneDecimal(average, locale),
  },
  {
    key: 'own',
    label: 'Own posts',
    valueOf: ({ own }: Corner) => own,
    textOf: ({ own }: Corner) => formatCount(own, locale),
  },
  {
    key: 'times',
    label: 'Times usual',
    valueOf: ({ times }: Corner) => times?.low ?? -1,
    textOf: ({ times }: Corner) => timesWords(times, locale),
  },
  { key: 'said', label: 'Said', isWords: true, valueOf: saidOf },
])
</script>

<template>
  <div>
    <p v-if="!hasRivals" class="quiet">
      No rival is looked at.<template v-if="!isPlain"> Choose one above, or add its profiles.</template>
    </p>
    <p v-else-if="found.length" class="found">
      Rivals are quiet, and posts do well:
      <template v-for="(corner, index) in found" :key="`${corner.network} ${corner.place}`"
        ><template v-if="index">; </template
        ><strong>{{ networkById(corner.network).name }}, {{ sign }}{{ corner.place }}</strong> ({{
          corner.rivals
        }}
        posts of rivals, {{ oneDecimal(corner.average, locale) }} on average;
        {{ timesWords(corner.times, locale) }} usual)</template
      >.
    </p>
    <p v-else>In no corner of this field are rivals quiet and posts above usual beyond chance.</p>
    <WideContent v-if="habits.corners.length" label="Corners of the field">
      <OrderedTable
        name="corners-order"
        :columns="COLUMNS"
        :rows="habits.corners"
        :most="12"
        :key-of="({ network, place }) => `${network} ${place}`"
        :is-plain="isPlain"
      >
        <template #times="{ row }"
          ><span class="figure">{{ timesWords(row.times, locale) }}</span></template
        >
        <template #said="{ row }"
          ><strong v-if="row.isQuiet && row.stands === 'above'">{{ saidOf(row) }}</strong
          ><span v-else class="quiet">{{ saidOf(row) }}</span></template
        >
      </OrderedTable>
    </WideContent>
    <p class="quiet small">
      Over the 52 weeks to the end of the period. Quiet: rivals post less than half of what they post in a corner of
      that network on average. How posts did is told of all posts there, the client’s among them.
      <template v-if="habits.emptyCorners"
        >In {{ habits.emptyCorners }} further {{ habits.emptyCorners === 1 ? 'corner' : 'corners' }} nobody
        posts.</template
      >
    </p>
  </div>
</template>

<style scoped>
.small {
  font-size: var(--text-small);
}
.figure {
  white-space: nowrap;
}
.found {
  max-width: 90ch;
}
</style>
