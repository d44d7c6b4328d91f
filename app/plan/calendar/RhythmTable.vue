<script setup lang="ts">
/** How often each network, format or profile posts, against the weeks before, and how long it was silent. */
import type { Rhythm } from '~~/core/calendar/rhythm'
import { oneDecimal } from '~~/core/format/numbers'
import { describeDay, describePeriodShort } from '~~/core/periods/describePeriod'

defineProps<{ rows: readonly Rhythm[]; what: string }>()
const locale = useLocale()
function silenceOf(longest: Rhythm['longest']): string {
  if (!longest) return 'none'
  return longest.days === 1
    ? `1 day, ${describeDay(longest.from)}`
    : `${longest.days} days, ${describePeriodShort(longest)}`
}
const COLUMNS = [
  { key: 'group', label: 'Who', isWords: true, valueOf: ({ group }: Rhythm) => group },
  {
    key: 'week',
    label: 'Posts a week, 28 days',
    isFigure: true,
    valueOf: ({ perWeek }: Rhythm) => perWeek,
    textOf: ({ perWeek }: Rhythm) => oneDecimal(perWeek, locale),
  },
  {
    key: 'day',
    label: 'A day',
    isFigure: true,
    valueOf: ({ perWeek }: Rhythm) => perWeek / 7,
    textOf: ({ perWeek }: Rhythm) => oneDecimal(perWeek / 7, locale),
  },
  {
    key: 'before',
    label: 'The 28 before',
    isFigure: true,
    valueOf: ({ before }: Rhythm) => before,
    textOf: ({ before }: Rhythm) => oneDecimal(before, locale),
  },
  {
    key: 'longest',
    label: 'Longest silence in a year',
    isWords: true,
    valueOf: ({ longest }: Rhythm) => longest?.days ?? 0,
    textOf: ({ longest }: Rhythm) => silenceOf(longest),
  },
  {
    key: 'last',
    label: 'Last post',
    isWords: true,
    valueOf: ({ last }: Rhythm) => last,
    textOf: ({ last }: Rhythm) => describeDay(last),
  },
]
</script>

<template>
  <p v-if="rows.length === 0" class="quiet">Nothing was posted in a year.</p>
  <WideContent v-else :label="what">
    <OrderedTable name="rhythm" :columns="COLUMNS" :rows="rows" :key-of="({ group }) => group" />
  </WideContent>
</template>
