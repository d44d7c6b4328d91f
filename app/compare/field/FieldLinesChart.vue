<script setup lang="ts">
/** The members of a field as lines over weeks, read week by week by pointer or keys, with their numbers as a table. */
import { metricById } from '~~/core/metrics/catalogue'
import { describeDay } from '~~/core/periods/describePeriod'
import { breakWords } from '~~/shared/compare/breakWords'
import type { FieldLines } from '~~/shared/compare/fieldLines'
import { SERIES, SERIES_DARK } from '~/theme/tokens'
import { drawnMembers, fieldLineOptions, lineValue, strokeSeries } from './lineSeries'

const props = defineProps<{ lines: FieldLines; isPlain?: boolean }>()
/** The chart's library is large: it comes once the figures are on the screen. */
const Apex = defineAsyncComponent(async () => {
  await nextFrames()
  return await import('vue3-apexcharts')
})
const locale = useLocale()
const isDark = useDark({ valueDark: 'dark', disableTransition: false })
const at = ref<number>()
const members = computed(() => drawnMembers(props.lines))
const colours = computed(() => (isDark.value && !props.isPlain ? SERIES_DARK : SERIES))
const options = computed(() =>
  fieldLineOptions(props.lines, {
    locale,
    isDark: isDark.value && !props.isPlain,
    font: import.meta.client ? getComputedStyle(document.documentElement).getPropertyValue('--sans').trim() : '',
  }),
)
const series = computed(() => strokeSeries(props.lines))
const last = computed(() => props.lines.weeks.length - 1)
const say = (value: number | undefined) => lineValue(props.lines, value, locale)
const readout = computed(() =>
  at.value === undefined
    ? ''
    : `Week to ${describeDay(props.lines.weeks[at.value]!)}: ` +
      members.value.map(({ name, values }) => `${name} ${say(values[at.value!])}`).join(', '),
)
const move = (step: number) => {
  at.value = Math.min(last.value, Math.max(0, at.value === undefined ? (step > 0 ? 0 : last.value) : at.value + step))
}
function point(event: MouseEvent) {
  const plot = (event.currentTarget as HTMLElement).querySelector('.apexcharts-grid')?.getBoundingClientRect()
  if (!plot || plot.width === 0) return
  const week = Math.round(((event.clientX - plot.left) / plot.width) * last.value)
  if (week >= 0 && week <= last.value) at.value = week
}
const broken = computed(() =>
  members.value.flatMap(({ name, breaks }) =>
    breaks.map((one) => `${name}: ${breakWords(one)} in the week to ${describeDay(props.lines.weeks[one.week]!)}`),
  ),
)
/** A row for each week, the newest first. */
const rows = computed(() => props.lines.weeks.map((week, index) => ({ week, index })).reverse())
const columns = computed(() => [
  {
    key: 'week',
    label: 'Week to',
    isWords: true,
    valueOf: ({ index }: { index: number }) => index,
    textOf: ({ week }: { week: string }) => describeDay(week),
  },
  ...props.lines.members.map(({ id, name, values }) => ({
    key: `m${id}`,
    label: name,
    isFigure: true,
    valueOf: ({ index }: { index: number }) => values[index] ?? -Infinity,
    textOf: ({ index }: { index: number }) => say(values[index]),
  })),
])
const left = computed(
  () =>
    props.lines.members.filter(({ values }) => values.some((value) => value !== undefined)).length -
    members.value.length,
)
</script>

<template>
  <figure :aria-label="`${metricById(lines.metric).name} week by week`">
    <figcaption>
      <span v-for="(member, index) in members" :key="member.id" class="key"
        ><i :style="{ borderColor: colours[index] }" />{{ member.name }}</span
      >
    </figcaption>
    <p v-if="members.length === 0" class="quiet">
      No week of these has {{ metricById(lines.metric).name.toLowerCase() }} of anybody on these networks.
    </p>
    <div
      v-else
      class="plot"
      :tabindex="isPlain ? undefined : 0"
      role="group"
      :aria-label="`Lines of the field${isPlain ? '' : '; use the arrow keys to go through the weeks'}`"
      @keydown.left.prevent="move(-1)"
      @keydown.right.prevent="move(1)"
      @keydown.esc="at = undefined"
      @mousemove="point"
      @mouseleave="at = undefined"
    >
      <ClientOnly><Apex type="line" height="230" :options="options" :series="series" /></ClientOnly>
    </div>
    <p v-if="!isPlain" class="readout" aria-live="polite">{{ readout || '\u00A0' }}</p>
    <p v-for="words in broken" :key="words" class="quiet small">
      {{ words }}: the series is another from there on, and is not joined.
    </p>
    <TableBehind
      name="weeks"
      :columns="columns"
      :rows="rows"
      :key-of="({ week }) => week"
      show="The weeks as a table"
      hide="Hide the weeks"
    >
      A week that is not known whole has no point.
      <template v-if="lines.form === 'share'"
        >Of all members that are shown here or in the table; a week in which one of them is not known has no
        shares.</template
      ><template v-else-if="lines.form !== 'level'"
        >Only profiles that both weeks have are compared with each other.</template
      >
      <template v-if="left > 0">
        {{ left }} more {{ left === 1 ? 'member stands' : 'members stand' }} in the table.</template
      >
    </TableBehind>
  </figure>
</template>

<style scoped>
figcaption {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
  font-size: var(--text-label);
  color: var(--ink2);
}
i {
  display: inline-block;
  width: 18px;
  border-top: 2.5px solid;
  vertical-align: 4px;
  margin-right: 5px;
}
.plot {
  min-height: 230px;
}
.readout {
  font-size: var(--text-small);
  color: var(--ink2);
  min-height: 1.3em;
}
.small {
  font-size: var(--text-small);
}
</style>
