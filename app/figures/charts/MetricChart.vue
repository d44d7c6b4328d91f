<script setup lang="ts">
import { formatPoint } from '~~/core/format/formatPoint'
import { metricById } from '~~/core/metrics/catalogue'
import { describeDay, describePeriodShort } from '~~/core/periods/describePeriod'
import type { Unit } from '~~/core/metrics/metric'
import type { DayPoint } from '~~/core/series/dailyPoints'
import type { MetricLine } from '~~/shared/read/overview'
import { indexed } from '~~/core/series/indexed'
import { drawn, GAP_OPACITY, gaps, lineOptions, type ChartNote } from './chartOptions'

const props = defineProps<{
  line: MetricLine
  second?: MetricLine
  isIndex?: boolean
  notes: ChartNote[]
  isPlain?: boolean
  /** Whether whoever looks may write notes. */ mayNote?: boolean
}>()
const emit = defineEmits<{ ready: []; note: [day: string] }>()
/** The chart's library is large: it comes once the figures are on the screen. */
const Apex = defineAsyncComponent(async () => {
  await nextFrames()
  return await import('vue3-apexcharts')
})

/** Until the chart stands, a plain drawing does. */
const isReady = ref(false)
function stand() {
  isReady.value = true
  emit('ready')
}

const gapShade = `${GAP_OPACITY * 100}%`
const metric = computed(() => metricById(props.line.metric))
const isDark = useDark({ valueDark: 'dark', disableTransition: false })
const locale = useLocale()
const isTable = ref(false)
const at = ref<number>()
/** A day that was selected stays, so that its posts can be gone to. */
const isPinned = ref(false)
const chart = ref<{ chart?: { dataURI: (options?: { scale: number }) => Promise<{ imgURI: string }> } }>()
const current = computed(() => props.line.current)
const secondName = computed(() => (props.second ? metricById(props.second.metric).name : ''))
/** The values of each line, for axes that fit them. */
const values = computed(() => ({
  first: [...current.value, ...(props.line.earlier ?? [])].map(drawn),
  second: (props.second?.current ?? []).map(drawn),
}))
/** The levels among the lines: their axes fit them, since a level far from zero would lie flat. */
const fitted = computed(() =>
  props.isIndex
    ? []
    : [props.line.metric, ...(props.second ? [props.second.metric] : [])]
        .filter((id) => metricById(id).kind === 'stock')
        .map((id) => metricById(id).name.toLowerCase()),
)
const options = computed(() =>
  lineOptions({
    values: values.value,
    hasEarlier: props.line.earlier !== undefined,
    second: props.second?.metric,
    isIndex: props.isIndex,
    metric: props.line.metric,
    current: current.value,
    expected: props.line.expected,
    notes: props.notes,
    locale,
    isDark: isDark.value && !props.isPlain,
    font: import.meta.client ? getComputedStyle(document.documentElement).getPropertyValue('--sans').trim() : '',
  }),
)
/** A line day by day, on its own scale or as an index. */
function drawing(points: readonly (DayPoint | undefined)[]) {
  const values = points.map(drawn)
  return (props.isIndex ? indexed(values).values : values).map((y, index) => ({ x: index + 1, y }))
}
const series = computed(() => [
  { name: 'Period', data: drawing(current.value) },
  ...(props.line.earlier
    ? [{ name: 'Comparison', data: drawing(current.value.map((_, index) => props.line.earlier![index])) }]
    : []),
  ...(props.second ? [{ name: 'Second', data: drawing(props.second.current) }] : []),
])
const span = (points: DayPoint[]) =>
  points.length > 0 ? describePeriodShort({ from: points[0]!.day, to: points.at(-1)!.day }) : ''
const isBounded = computed(() => current.value.some((point) => point.low !== undefined))
const hasData = computed(() => current.value.some((point) => drawn(point) !== null))
const partial = computed(() => gaps(current.value, props.line.expected).length > 0)

const say = (point: DayPoint | undefined, unit: Unit) => formatPoint(point, unit, locale)
const readout = computed(() => {
  if (at.value === undefined) return ''
  const point = current.value[at.value]!
  const before = props.line.earlier?.[at.value]
  const few =
    point.present < props.line.expected ? `, ${point.present} of ${props.line.expected} profiles with data` : ''
  return (
    `${describeDay(point.day)}: ` +
    `${say(point, metric.value.unit)}${few}${secondAt(at.value)}` +
    (before ? `; ${describeDay(before.day)}: ${say(before, metric.value.unit)}` : '')
  )
})

function secondAt(index: number): string {
  return props.second
    ? `, ${secondName.value.toLowerCase()} ${say(props.second.current[index], metricById(props.second.metric).unit)}`
    : ''
}
function move(step: number) {
  at.value = Math.min(
    current.value.length - 1,
    Math.max(0, at.value === undefined ? (step > 0 ? 0 : current.value.length - 1) : at.value + step),
  )
}
function point(event: MouseEvent) {
  const plot = (event.currentTarget as HTMLElement).querySelector('.apexcharts-grid')?.getBoundingClientRect()
  if (!plot || plot.width === 0) return
  const place = Math.round(((event.clientX - plot.left) / plot.width) * (current.value.length - 1))
  if (place >= 0 && place < current.value.length) at.value = place
}
function pin(event: MouseEvent) {
  isPinned.value = false
  point(event)
  isPinned.value = at.value !== undefined
}
const route = useRoute()
const { slug } = useClient()
const posts = computed(() =>
  at.value === undefined
    ? undefined
    : {
        path: `/${slug.value}/content`,
        query: { ...scopeOf(route.query), period: `${current.value[at.value]!.day}..${current.value[at.value]!.day}` },
      },
)
useEventListener('keydown', (event: KeyboardEvent) => {
  if (props.isPlain || event.key !== 't' || event.ctrlKey || event.metaKey || event.altKey) return
  if (event.target instanceof HTMLElement && event.target.closest('input, textarea, [role="dialog"]')) return
  if (isSomethingOpen()) return
  isTable.value = !isTable.value
})

async function savePicture() {
  const picture = await chart.value?.chart?.dataURI({ scale: 2 })
  if (!picture) return
  const link = document.createElement('a')
  link.href = picture.imgURI
  link.download = `${props.line.metric}.png`
  link.click()
}
const label = computed(() => {
  const keys = props.mayNote ? ', Enter to write a note' : ''
  const hint = props.isPlain ? '' : `; use the arrow keys to go through the days${keys}`
  return `${metric.value.name} a day, as a line${hint}`
})

function leaveDay() {
  at.value = undefined
  isPinned.value = false
}
</script>

<template>
  <figure :aria-label="`${metric.name} a day`">
    <figcaption>
      <span class="key"
        ><i />{{ second ? `${metric.name}, ${span(current)}` : span(current)
        }}<template v-if="line.earlier"><i class="dashed" />{{ span(line.earlier) }}</template
        ><template v-if="second"><i class="second" />{{ secondName }}{{ isIndex ? '' : ', right' }}</template></span
      >
      <span v-if="isIndex" class="quiet">index: first day with data = 100</span>
      <span v-if="fitted.length" class="quiet"
        >the axis of {{ fitted.join(' and ') }} fits the line and does not begin at zero</span
      >
      <span v-if="isBounded" class="quiet">≈ daily estimate over profiles</span>
      <span v-if="partial" class="quiet"><i class="band" />days with data missing</span>
      <span v-if="!isPlain" class="tools no-print">
        <button type="button" class="bare" :aria-pressed="isTable" @click="isTable = !isTable">
          {{ isTable ? 'Chart' : 'Table' }}
        </button>
        <slot name="download" :picture="savePicture"
          ><button v-if="!isTable" type="button" class="bare" @click="savePicture">Picture</button></slot
        >
      </span>
    </figcaption>
    <p v-if="!hasData" class="empty">No day of this period has {{ metric.name.toLowerCase() }}.</p>
    <DayTable v-else-if="isTable" :line="line" :second="second" />
    <div
      v-else
      class="plot"
      :tabindex="isPlain ? undefined : 0"
      role="group"
      :aria-label="label"
      @keydown.left.prevent="move(-1)"
      @keydown.right.prevent="move(1)"
      @keydown.esc="leaveDay"
      @keydown.enter="mayNote && at !== undefined && emit('note', current[at]!.day)"
      @mousemove="isPinned || point($event)"
      @mouseleave="isPinned || (at = undefined)"
      @click="pin"
    >
      <LineDrawing v-if="!isReady && !isIndex && !isPlain" :line="line" />
      <ClientOnly
        ><Apex ref="chart" type="line" height="216" :options="options" :series="series" @mounted="stand"
      /></ClientOnly>
    </div>
    <p v-if="!isPlain && !isTable" class="readout" aria-live="polite">
      <span>{{ readout || '\u00A0' }}</span> <NuxtLink v-if="posts" :to="posts">Posts of this day</NuxtLink>
    </p>
  </figure>
</template>

<style scoped>
figcaption {
  display: flex;
  gap: 16px;
  justify-content: flex-end;
  flex-wrap: wrap;
  font-size: var(--text-label);
  color: var(--ink2);
}
i {
  display: inline-block;
  width: 18px;
  border-top: 2.5px solid var(--zaffer);
  vertical-align: 4px;
  margin: 0 5px 0 10px;
}
i.dashed {
  border-top: 2px dashed var(--earlier);
}
i.second {
  border-color: var(--second);
}
i.band {
  border: 0;
  height: 10px;
  background: color-mix(in srgb, var(--rule2) v-bind(gapShade), transparent);
  vertical-align: -1px;
  outline: 1px solid var(--rule);
}
.tools {
  display: flex;
  gap: 10px;
}
.tools button {
  padding: 3px 0;
  color: var(--zaffer);
  text-decoration: underline;
  text-underline-offset: 2px;
}
.plot {
  position: relative;
  min-height: 216px;
}
.readout {
  font-size: var(--text-small);
  color: var(--ink2);
  min-height: 1.3em;
  text-align: right;
}
.empty {
  color: var(--ink3);
  padding: 40px 0;
  text-align: center;
}
</style>
