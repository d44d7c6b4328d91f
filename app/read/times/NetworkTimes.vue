<script setup lang="ts">
/** Networks side by side: the week of each as one line, its posts, and the slot in which they did best. */
import type { Rounding } from '~~/core/format/formatter'
import { formatSignedShare } from '~~/core/format/numbers'
import { slotName } from '~~/core/times/slots'
import type { NetworkTimes } from '~~/shared/read/times'

defineProps<{ networks: readonly NetworkTimes[]; isPlain?: boolean }>()
const locale = useLocale()
const [WIDTH, TALL] = [240, 34]
const path = (values: readonly (number | null)[]) =>
  values
    .map((value, slot) => {
      const at = `${((slot / 168) * WIDTH).toFixed(1)} ${(TALL - (value ?? 0) * TALL).toFixed(1)}`
      return value === null ? '' : `${slot === 0 || values[slot - 1] === null ? 'M' : 'L'}${at}`
    })
    .join('')
const signed = (share: number, rounding?: Rounding) => formatSignedShare(share, locale, rounding)
function bestOf({ best, isBeyond, posts }: NetworkTimes): string {
  if (isBeyond === undefined) return `too few posts to tell (${posts})`
  if (!best?.lift) return 'no slot stands out'
  const { value, low, high } = best.lift
  return `${slotName(best.slot)}, ${signed(value)}, between ${signed(low, 'down')} and ${signed(high, 'up')} (${best.posts} posts)`
}
const COLUMNS = [
  { key: 'name', label: 'Network', isWords: true, valueOf: ({ name }: NetworkTimes) => name },
  { key: 'posts', label: 'Posts', isFigure: true, valueOf: ({ posts }: NetworkTimes) => posts },
  {
    key: 'week',
    label: 'Audience, Monday to Sunday',
    isWords: true,
    valueOf: ({ fullest }: NetworkTimes) => fullest ?? -1,
  },
  {
    key: 'best',
    label: 'Posts did best',
    isWords: true,
    valueOf: ({ best }: NetworkTimes) => best?.lift?.low ?? -9,
    textOf: bestOf,
  },
]
</script>

<template>
  <WideContent label="Networks side by side">
    <OrderedTable name="networks" :columns="COLUMNS" :rows="networks" :key-of="({ id }) => id" :is-plain="isPlain">
      <template #week="{ row }"
        ><template v-if="row.there"
          ><svg :width="WIDTH" :height="TALL + 2" aria-hidden="true">
            <line
              v-for="day in 6"
              :key="day"
              class="day"
              :x1="(day / 7) * WIDTH"
              :x2="(day / 7) * WIDTH"
              y1="0"
              :y2="TALL"
            />
            <path :d="path(row.there)" /></svg
          ><span v-if="row.fullest !== undefined && row.fullest >= 0" class="quiet fullest"
            >fullest on {{ slotName(row.fullest) }}</span
          ></template
        ><span v-else class="quiet">not told</span></template
      >
    </OrderedTable>
  </WideContent>
</template>

<style scoped>
svg {
  display: block;
}
path {
  fill: none;
  stroke: var(--series);
  stroke-width: 1.3;
}
.day {
  stroke: var(--rule);
}
.fullest {
  font-size: var(--text-small);
}
</style>
