<script setup lang="ts">
/** Ages and genders as pairs of bars: those who follow, with those reached and those who responded marked on them. */
import { AUDIENCE_BASES, type AudienceBase } from '~~/core/breakdowns/audienceBreakdowns'
import { AGES } from '~~/core/breakdowns/breakdowns'
import { formatShare, oneDecimal } from '~~/core/format/numbers'
import type { FacetView } from '~~/shared/read/audience'

const props = defineProps<{
  view: FacetView
  /** The gender that is the whole: shares of women, or of men; of all, where it is empty. */ within: string
}>()
const locale = useLocale()
const [WIDTH, ROW, MIDDLE] = [180, 24, 34]
const wholeOf = (base: AudienceBase): number =>
  props.within === ''
    ? (props.view.totals[base]?.known ?? 0)
    : props.view.parts
        .filter(({ part }) => part.startsWith(`${props.within}|`))
        .reduce((sum, { counts }) => sum + (counts[base] ?? 0), 0)
const share = (gender: string, age: string, base: AudienceBase): number | undefined => {
  const people = props.view.parts.find(({ part }) => part === `${gender}|${age}`)?.counts[base]
  const whole = wholeOf(base)
  return people === undefined || whole === 0 ? undefined : people / whole
}
const sides = computed(() =>
  [
    { gender: 'f', name: 'women', way: -1 },
    { gender: 'm', name: 'men', way: 1 },
  ].filter(({ gender }) => props.within === '' || props.within === gender),
)
const most = computed(() =>
  Math.max(
    0.01,
    ...sides.value.flatMap(({ gender }) =>
      AGES.flatMap((age) => AUDIENCE_BASES.map(({ id }) => share(gender, age, id) ?? 0)),
    ),
  ),
)
const length = (value: number | undefined) => ((value ?? 0) / most.value) * WIDTH
const place = (way: number, value: number | undefined) => way * (MIDDLE + length(value))
/** Half of each base are younger than this. */
const medians = computed(() =>
  AUDIENCE_BASES.flatMap(({ id, name }) => {
    const age = props.view.medianAges?.[id]?.[(props.within || 'all') as 'all' | 'f' | 'm']
    return age === undefined ? [] : [`${name.toLowerCase()} ≈ ${oneDecimal(age, locale)}`]
  }),
)
const label = computed(() =>
  sides.value
    .flatMap(({ gender, name }) =>
      AGES.map((age) => `${name} ${age}: ${formatShare(share(gender, age, 'followers') ?? 0, locale)}`),
    )
    .join(', '),
)
</script>

<template>
  <figure>
    <svg
      :viewBox="`${-WIDTH - MIDDLE - 8} -20 ${2 * (WIDTH + MIDDLE + 8)} ${AGES.length * ROW + 24}`"
      role="img"
      :aria-label="`Those who follow, by age and gender. ${label}. The table has all numbers.`"
    >
      <text v-for="side in sides" :key="side.gender" class="side" :x="side.way * 90" y="-7" text-anchor="middle">
        {{ side.name }}
      </text>
      <g v-for="(age, index) in AGES" :key="age" :transform="`translate(0 ${index * ROW})`">
        <text class="age" x="0" y="16" text-anchor="middle">{{ age }}</text>
        <g v-for="side in sides" :key="side.gender">
          <rect
            class="follow"
            :x="side.way < 0 ? place(-1, share(side.gender, age, 'followers')) : MIDDLE"
            y="4"
            :width="length(share(side.gender, age, 'followers'))"
            height="16"
          />
          <line
            v-if="share(side.gender, age, 'reached') !== undefined"
            class="reached"
            :x1="place(side.way, share(side.gender, age, 'reached'))"
            :x2="place(side.way, share(side.gender, age, 'reached'))"
            y1="2"
            y2="22"
          />
          <circle
            v-if="share(side.gender, age, 'responded') !== undefined"
            :cx="place(side.way, share(side.gender, age, 'responded'))"
            cy="12"
            r="4"
          />
        </g>
      </g>
    </svg>
    <figcaption class="quiet">
      <span class="key bar" aria-hidden="true" /> follow <span class="key tick" aria-hidden="true" /> reached
      <span class="key dot" aria-hidden="true" /> responded
      <template v-if="medians.length"
        ><br />Median age, as if ages were spread evenly within brackets: {{ medians.join(', ') }}.</template
      >
    </figcaption>
  </figure>
</template>

<style scoped>
figure {
  margin: 0;
}
svg {
  width: 100%;
  max-height: 240px;
}
.side {
  font-size: 12.5px;
  font-weight: 600;
  fill: var(--ink2);
}
.age {
  font-size: 12.5px;
  fill: var(--ink2);
}
.follow {
  fill: var(--range);
}
.reached {
  stroke: var(--zaffer);
  stroke-width: 2.4;
}
circle {
  fill: var(--series-3);
}
.key {
  display: inline-block;
  vertical-align: middle;
  margin: 0 3px 0 10px;
}
.bar {
  width: 18px;
  height: 10px;
  background: var(--range);
  margin-left: 0;
}
.tick {
  width: 2.4px;
  height: 13px;
  background: var(--zaffer);
}
.dot {
  width: 8px;
  height: 8px;
  border-radius: 50%;
  background: var(--series-3);
}
</style>
