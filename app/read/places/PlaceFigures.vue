<script setup lang="ts">
/** A place over its period, the one before and the same a year ago; its way from a search to an action. */
import { bestWords } from './bestWords'
import { formatCount, oneDecimal } from '~~/core/format/numbers'
import { metricById } from '~~/core/metrics/catalogue'
import { PLACE_METRICS, type PlaceInsights, type PlaceMetric } from '~~/shared/read/places'

const props = defineProps<{ insights: Pick<PlaceInsights, 'periods' | 'median' | 'best'>; isPlain?: boolean }>()
const locale = useLocale()
type Row = PlaceInsights['periods'][number]
const NAMES = { now: 'Now', before: 'Before', year: 'A year ago' } as const
const count = (value: number | undefined) => (value === undefined ? '—' : formatCount(value, locale))
const metrics = computed(() =>
  PLACE_METRICS.filter((metric) => props.insights.periods.some(({ values }) => values[metric] !== undefined)),
)
const figure = (metric: PlaceMetric) => ({
  key: metric,
  label: metricById(metric).name,
  isFigure: true,
  valueOf: ({ values }: Row) => values[metric] ?? -1,
  textOf: ({ values }: Row) => count(values[metric]),
})
const COLUMNS = computed(() => [
  { key: 'period', label: 'Period', isWords: true, valueOf: ({ id }: Row) => ['now', 'before', 'year'].indexOf(id) },
  ...metrics.value.map(figure),
  {
    key: 'rate',
    label: 'For 1,000 views',
    isFigure: true,
    valueOf: ({ perViews }: Row) => perViews?.value ?? -1,
    textOf: ({ perViews }: Row) => (perViews ? `${oneDecimal(perViews.value, locale)} (${endsOf(perViews)})` : '—'),
  },
])
const now = computed(() => props.insights.periods[0])
/** How one rate stands beside another, in words. */
function beside(own: number, other: number): string {
  const times = own / other
  return times > 0.97 && times < 1.03
    ? 'as at the middle place'
    : `${oneDecimal(times, locale)} × that of the middle place`
}
const steps = computed(() => {
  const { values, viewsPerSearch, perViews } = now.value ?? {}
  const { median } = props.insights
  if (!values) return []
  return [
    { name: 'Searches that found it', value: count(values.searches), said: '' },
    {
      name: 'Listing views',
      value: count(values.listing_views),
      said:
        viewsPerSearch === undefined
          ? ''
          : `${oneDecimal(viewsPerSearch, locale)} for each search` +
            (median?.viewsPerSearch ? `, ${beside(viewsPerSearch, median.viewsPerSearch)}` : ''),
    },
    {
      name: 'Actions',
      value: count(values.listing_actions),
      said: perViews
        ? `${oneDecimal(perViews.value, locale)} for 1,000 views` +
          (!median
            ? ''
            : median.perViews >= perViews.low && median.perViews <= perViews.high
              ? ', which chance alone may part from the middle place'
              : `, ${beside(perViews.value, median.perViews)}`)
        : '',
    },
  ]
})
const endsOf = ({ low, high }: { low: number; high: number }) =>
  `${oneDecimal(low, locale, 'down')} to ${oneDecimal(high, locale, 'up')}`
</script>

<template>
  <div>
    <ol class="steps">
      <li v-for="step in steps" :key="step.name">
        <span class="quiet">{{ step.name }}</span>
        <strong>{{ step.value }}</strong>
        <span class="quiet small">{{ step.said }}</span>
      </li>
    </ol>
    <WideContent label="This period, the one before, and a year ago">
      <OrderedTable
        name="periods"
        :columns="COLUMNS"
        :rows="insights.periods"
        :key-of="({ id }) => id"
        :is-plain="isPlain"
      >
        <template #period="{ row }"
          >{{ NAMES[row.id] }}
          <span class="quiet small"
            >{{ row.words
            }}{{ row.days.known < row.days.of ? `, ${row.days.known} of ${row.days.of} days known` : '' }}</span
          ></template
        >
      </OrderedTable>
    </WideContent>
    <p class="quiet small">
      Views are in searches and on maps, so that there can be more of them than searches. Figures are as the network
      counts them; nothing is scaled up where days are missing.
      <template v-if="insights.median"
        >The middle place: {{ oneDecimal(insights.median.perViews, locale) }} actions for 1,000 views, of
        {{ insights.median.places }} places.</template
      ><template v-if="insights.best">{{ ' ' }}{{ bestWords(insights.best, insights.median, locale) }}</template>
    </p>
  </div>
</template>

<style scoped>
.steps {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 34px;
  list-style: none;
  padding: 0;
  margin: 4px 0 10px;
}
.steps li {
  display: grid;
  align-content: start;
  max-width: 17em;
}
.steps strong {
  font: 600 1.5rem/1.25 var(--serif);
}
.small {
  font-size: var(--text-small);
}
</style>
