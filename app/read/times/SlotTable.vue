<script setup lang="ts">
/** Slots with what is known of each: how posts did there, on how many that rests, and how many of the audience are there. */
import type { Rounding } from '~~/core/format/formatter'
import { formatCount, formatShare, formatSignedShare } from '~~/core/format/numbers'
import { slotName } from '~~/core/times/slots'
import type { TimesView } from '~~/shared/read/times'
import { slotTakenWords } from './timesWords'

interface Row {
  slot: number
  number: number
  by: 'posts' | 'audience'
  near?: number[]
  isTaken?: true
}
const props = defineProps<{ view: TimesView; isPlain?: boolean }>()
const emit = defineEmits<{ choose: [slot: number] }>()
const locale = useLocale()
const rows = computed<Row[]>(() => props.view.suggestions.map((each, index) => ({ ...each, number: index + 1 })))
const liftOf = ({ slot }: Row) => props.view.lifts[slot]!.lift
const thereIn = ({ slot }: Row) => props.view.there?.slots[slot] ?? undefined
const signed = (share: number, rounding?: Rounding) => formatSignedShare(share, locale, rounding)
const WIDTH = 130
const bounds = computed(() => {
  const all = rows.value.flatMap((row) => {
    const lift = liftOf(row)
    return lift ? [lift.low, lift.high] : []
  })
  return { low: Math.min(-0.1, ...all), high: Math.max(0.1, ...all) }
})
const x = (value: number) => ((value - bounds.value.low) / (bounds.value.high - bounds.value.low)) * WIDTH
const COLUMNS = [
  { key: 'number', label: 'No.', valueOf: ({ number }: Row) => number },
  { key: 'slot', label: 'Slot', isWords: true, valueOf: ({ slot }: Row) => slot },
  { key: 'lift', label: 'Lift over usual, 80 %', isFigure: true, valueOf: (row: Row) => liftOf(row)?.value ?? -9 },
  {
    key: 'posts',
    label: 'Posts',
    isFigure: true,
    valueOf: ({ slot }: Row) => props.view.lifts[slot]!.posts,
    textOf: ({ slot }: Row) => formatCount(props.view.lifts[slot]!.posts, locale),
  },
  {
    key: 'all',
    label: 'There, of all',
    isFigure: true,
    valueOf: (row: Row) => thereIn(row)?.ofAll ?? -1,
    textOf: (row: Row) => (thereIn(row) ? formatShare(thereIn(row)!.ofAll, locale) : '—'),
  },
  {
    key: 'fullest',
    label: 'Of the fullest hour',
    isFigure: true,
    valueOf: (row: Row) => thereIn(row)?.ofFullest ?? -1,
    textOf: (row: Row) => (thereIn(row) ? formatShare(thereIn(row)!.ofFullest, locale) : '—'),
  },
]
/** What is planned near its next time, with the post: a slot is taken for the profiles that post then. */
const takenOf = ({ near = [], isTaken }: Row) =>
  slotTakenWords(
    near.flatMap((index) => props.view.takenBy?.[index] ?? []),
    isTaken === true,
    { zone: props.view.zone, locale },
  )
const reasonOf = ({ by, slot }: Row) => {
  if (by === 'posts') return 'posts did better there'
  const { posts } = props.view.lifts[slot]!
  return posts === 0 ? 'the audience is there; no post yet' : 'the audience is there'
}
</script>

<template>
  <WideContent label="Suggested slots">
    <OrderedTable name="slots" :columns="COLUMNS" :rows="rows" :key-of="({ slot }) => slot" :is-plain="isPlain">
      <template #number="{ row }"
        ><span class="disc">{{ row.number }}</span></template
      >
      <template #slot="{ row }"
        ><strong v-if="isPlain">{{ slotName(row.slot) }}</strong
        ><button v-else type="button" class="bare name" @click="emit('choose', row.slot)">
          {{ slotName(row.slot) }}</button
        ><span class="quiet remark">{{ reasonOf(row) }}</span
        ><span v-if="row.near" class="quiet remark">{{ takenOf(row) }}</span></template
      >
      <template #lift="{ row }"
        ><span v-if="liftOf(row)" class="lift"
          ><svg :width="WIDTH" height="16" aria-hidden="true">
            <line class="zero" :x1="x(0)" :x2="x(0)" y1="0" y2="16" />
            <rect
              class="band"
              :x="x(liftOf(row)!.low)"
              y="6"
              :width="Math.max(1, x(liftOf(row)!.high) - x(liftOf(row)!.low))"
              height="5"
            />
            <line class="at" :x1="x(liftOf(row)!.value)" :x2="x(liftOf(row)!.value)" y1="2" y2="15" /></svg
          ><span class="value"
            >{{ signed(liftOf(row)!.value)
            }}<span class="quiet remark"
              >{{ signed(liftOf(row)!.low, 'down') }} to {{ signed(liftOf(row)!.high, 'up') }}</span
            ></span
          ></span
        ><span v-else class="quiet">{{ view.lifts[row.slot]!.missing }} more posts for a lift</span></template
      >
    </OrderedTable>
  </WideContent>
</template>

<style scoped>
.disc {
  display: inline-block;
  min-width: 20px;
  line-height: 20px;
  border-radius: 10px;
  text-align: center;
  color: var(--ground);
  background: var(--zaffer);
  font-weight: 600;
}
.name {
  min-height: 24px;
  font-weight: 600;
  color: var(--ink);
  text-decoration: underline dotted;
  text-underline-offset: 3px;
}
.remark {
  display: block;
  font-size: var(--text-small);
}
.lift {
  display: inline-flex;
  align-items: center;
  gap: 8px;
}
.value {
  min-width: 9em;
  text-align: right;
}
.band {
  fill: var(--range);
}
.zero {
  stroke: var(--ink3);
}
.at {
  stroke: var(--zaffer);
  stroke-width: 2;
}
</style>
