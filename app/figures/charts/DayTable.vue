<script setup lang="ts">
/** The table behind a line: each day beside its day of the comparison. */
import { formatPoint } from '~~/core/format/formatPoint'
import { metricById } from '~~/core/metrics/catalogue'
import { describeDay } from '~~/core/periods/describePeriod'
import type { DayPoint } from '~~/core/series/dailyPoints'
import type { MetricLine } from '~~/shared/read/overview'

interface Row {
  day: DayPoint
  second?: DayPoint
  earlier?: DayPoint
}
const props = defineProps<{ line: MetricLine; second?: MetricLine }>()
const locale = useLocale()
const rows = computed(() =>
  props.line.current.map(
    (day, index): Row => ({ day, second: props.second?.current[index], earlier: props.line.earlier?.[index] }),
  ),
)

function dayColumn(key: 'day' | 'earlier', label: string) {
  return {
    key,
    label,
    valueOf: (row: Row) => row[key]?.day ?? '',
    textOf: (row: Row) => (row[key] ? describeDay(row[key].day) : ''),
  }
}
function figureColumn(of: 'day' | 'earlier' | 'second', metricId: string, after = '') {
  const { name, unit } = metricById(metricId)
  return {
    key: `${of}-value`,
    label: `${name}${after}`,
    isFigure: true,
    valueOf: (row: Row) => row[of]?.value ?? row[of]?.low ?? -Infinity,
    textOf: (row: Row) => (row[of] || of !== 'earlier' ? formatPoint(row[of], unit, locale) : ''),
  }
}
const columns = computed(() => [
  dayColumn('day', 'Day'),
  figureColumn('day', props.line.metric),
  ...(props.second ? [figureColumn('second', props.second.metric)] : []),
  ...(props.line.earlier
    ? [dayColumn('earlier', 'Comparison day'), figureColumn('earlier', props.line.metric, ' then')]
    : []),
])
</script>

<template>
  <OrderedTable name="days" :columns="columns" :rows="rows" :key-of="({ day }) => day.day" />
</template>
