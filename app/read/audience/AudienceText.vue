<script setup lang="ts">
/** An audience by one facet: those who follow, were reached and responded beside each other. */
import { AUDIENCE_BASES, FACETS, type AudienceBase } from '~~/core/breakdowns/audienceBreakdowns'
import { formatCount, formatShare } from '~~/core/format/numbers'
import { describeDay } from '~~/core/periods/describePeriod'
import type { AudiencePart, FacetView } from '~~/shared/read/audience'

const props = defineProps<{ view: FacetView; isPlain?: boolean; /** Which part is selected. */ chosen?: string }>()
const emit = defineEmits<{ select: [part: AudiencePart] }>()
const locale = useLocale()
const facet = computed(() => FACETS.find(({ id }) => id === props.view.facet)!)
const isAges = computed(() => props.view.facet === 'age_gender')
/** The whole that shares of ages are of: everybody, women or men. */
const within = ref('')
const WITHIN = [
  { value: '', name: 'of all', words: 'of all' },
  { value: 'f', name: 'of women', words: 'of the women among them' },
  { value: 'm', name: 'of men', words: 'of the men among them' },
]
const parts = computed(() =>
  within.value === '' ? props.view.parts : props.view.parts.filter(({ part }) => part.startsWith(`${within.value}|`)),
)
const wholeOf = (base: AudienceBase) =>
  within.value === ''
    ? (props.view.totals[base]?.known ?? 0)
    : parts.value.reduce((sum, { counts }) => sum + (counts[base] ?? 0), 0)
const shareOf = ({ counts }: AudiencePart, base: AudienceBase) =>
  counts[base] === undefined || wholeOf(base) === 0 ? undefined : counts[base] / wholeOf(base)
/** The interval of an index, its ends rounded outward. */
const endsOf = ({ low, high }: { low: number; high: number }) =>
  `${formatCount(low, locale, 'down')}–${formatCount(high, locale, 'up')}`
const sayShare = (value: number | undefined) => (value === undefined ? '—' : formatShare(value, locale))
const told = computed(() => AUDIENCE_BASES.filter(({ id }) => props.view.totals[id]))
const columns = computed(() => [
  { key: 'part', label: facet.value.name, isWords: true, valueOf: ({ name }: AudiencePart) => name },
  ...told.value.map(({ id, name }) => ({
    key: id,
    label: name,
    isFigure: true,
    valueOf: (part: AudiencePart) => shareOf(part, id) ?? -1,
    textOf: (part: AudiencePart) => sayShare(shareOf(part, id)),
  })),
  {
    key: 'index',
    label: 'Index',
    isFigure: true,
    valueOf: ({ index }: AudiencePart) => index?.value ?? -1,
  },
])
/** An index on a strip from a third to three times. */
const place = (value: number) => 50 + (Math.log(Math.min(300, Math.max(100 / 3, value)) / 100) / Math.log(3)) * 50
const withheld = computed(() =>
  told.value.flatMap(({ id, name }) => {
    const total = props.view.totals[id]!
    return total.withheld > 0 && within.value === ''
      ? [`${formatShare(total.withheld / total.known, locale)} (${name.toLowerCase()})`]
      : []
  }),
)
/** What is missing, each reason once with all that it is true of. */
const gaps = computed(() => {
  const found = new Map<string, { key: string; names: string; reason: string; bases: string[] }>()
  for (const { names, reason, base } of props.view.gaps) {
    const key = `${names.join()} ${reason}`
    const gap = found.get(key) ?? { key, names: names.join(', '), reason, bases: [] }
    gap.bases.push(AUDIENCE_BASES.find(({ id }) => id === base)!.name.toLowerCase())
    found.set(key, gap)
  }
  return [...found.values()]
})
const bases = computed(() =>
  told.value.map(({ id, words }) => {
    const { known, profiles, from, to } = props.view.totals[id]!
    const days = from === to ? describeDay(to) : `${describeDay(from)} to ${describeDay(to)}`
    return (
      `${formatCount(Math.round(known), locale)} ${words.replace(/^of the /, '')} ${facet.value.known} ` +
      `(${profiles} ${profiles === 1 ? 'profile' : 'profiles'}, counted ${days})`
    )
  }),
)
</script>

<template>
  <div>
    <p v-if="view.parts.length === 0" class="quiet">No network tells this of the profiles and the week chosen above.</p>
    <template v-else>
      <div v-if="isAges && !isPlain" class="row no-print" role="group" aria-label="Shares of whom">
        <span>Shares</span
        ><Button
          v-for="one in WITHIN"
          :key="one.value"
          :label="one.name"
          text
          size="small"
          :aria-pressed="within === one.value"
          :class="{ on: within === one.value }"
          @click="within = one.value"
        />
      </div>
      <div :class="{ pair: isAges }">
        <AgePyramid v-if="isAges" :view="view" :within="within" />
        <OrderedTable
          :name="`audience-${view.facet}`"
          :columns="columns"
          :rows="parts"
          :key-of="({ part }) => part"
          :is-plain="isPlain"
        >
          <template #part="{ row }"
            ><template v-if="isPlain">{{ row.name }}</template
            ><button
              v-else
              type="button"
              class="bare part"
              :aria-pressed="chosen === row.part"
              @click="emit('select', row)"
            >
              {{ row.name }}
            </button></template
          >
          <template #index="{ row }"
            ><span v-if="row.index" class="index"
              ><span class="strip" aria-hidden="true"
                ><i
                  class="range"
                  :style="{
                    left: `${place(row.index.low)}%`,
                    width: `${place(row.index.high) - place(row.index.low)}%`,
                  }" /><i class="alike" /><i class="mark" :style="{ left: `${place(row.index.value)}%` }" /></span
              ><span
                >{{ Math.round(row.index.value) }} <span class="quiet">{{ endsOf(row.index) }}</span></span
              ></span
            ><template v-else>—</template></template
          >
        </OrderedTable>
      </div>
      <p class="quiet small">
        Shares {{ WITHIN.find(({ value }) => value === within)!.words }}: of {{ bases.join('; of ') }}. The index sets
        those who responded against those who follow: 100 is alike, beside it stands its 95 % interval.
        <template v-if="withheld.length"
          >Withheld, since they are parts of fewer than 30 people each: {{ withheld.join(', ') }}.</template
        >
        {{ ' '
        }}<template v-if="told.some(({ id }) => view.totals[id]!.isEstimated)"
          >Some of it is estimated: where a network counts in other age brackets, its people are spread evenly over
          their years.</template
        >
        {{ ' '
        }}<template v-if="told.some(({ id }) => view.totals[id]!.profiles > 1)"
          >One person can be in the audience of several profiles, so people are counted by profile.</template
        >
      </p>
    </template>
    <ul v-if="gaps.length" class="quiet small gaps">
      <li v-for="gap in gaps" :key="gap.key">
        Not in it: {{ gap.names }} ({{ gap.bases.join(', ') }}): {{ gap.reason }}.
      </li>
    </ul>
  </div>
</template>

<style scoped>
.pair {
  display: grid;
  grid-template-columns: minmax(250px, 4fr) 7fr;
  gap: 14px;
  align-items: start;
}
@media (max-width: 900px) {
  .pair {
    grid-template-columns: 1fr;
  }
}
.on {
  font-weight: 600;
  text-decoration: underline;
}
.part {
  white-space: nowrap;
  text-align: left;
  color: inherit;
  font-weight: 600;
}
.part[aria-pressed='true'] {
  color: var(--zaffer);
  text-decoration: underline;
}
.index {
  display: inline-flex;
  gap: 8px;
  align-items: center;
}
.index > span:last-child {
  white-space: nowrap;
  width: 5.6rem;
  text-align: left;
}
.strip {
  position: relative;
  width: 66px;
  height: 14px;
}
.strip i {
  position: absolute;
  top: 0;
  height: 14px;
}
.range {
  background: var(--range);
  min-width: 2px;
  top: 4px !important;
  height: 6px !important;
}
.alike {
  left: 50%;
  border-left: 1px solid var(--ink3);
}
.mark {
  border-left: 2.4px solid var(--zaffer);
}
.small {
  font-size: var(--text-small);
  margin-top: 4px;
}
.gaps {
  list-style: none;
}
</style>
