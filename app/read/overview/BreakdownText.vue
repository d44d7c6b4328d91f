<script setup lang="ts">
import { formatCompact, formatCount, formatShare, oneDecimal } from '~~/core/format/numbers'
import { describeDay } from '~~/core/periods/describePeriod'
import { breakdownById } from '~~/core/breakdowns/breakdowns'
import type { OrderedColumn } from '~/platform/useTableOrder'
import type { PartFigure, BreakdownView } from '~~/shared/read/breakdown'

const props = defineProps<{
  view: BreakdownView
  /** Whether its headings order it; in an edition everything stands as it was issued. */ isPlain?: boolean
}>()
const locale = useLocale()
const breakdown = computed(() => breakdownById(props.view.breakdown))
const most = computed(() => Math.max(1, ...props.view.rows.map((row) => row.value ?? row.high ?? 0)))
const hasChange = computed(() => props.view.rows.some((row) => row.from !== undefined))
/** Against the comparison, over the days that both have; a small base is marked. */
function change({ from, to, isUnclear }: PartFigure): string {
  if (from === undefined || to === undefined) return '—'
  if (from === to) return 'no change'
  const small = Math.min(from, to) < 30 ? ', small base' : ''
  if (isUnclear) return `no clear change${small}`
  return from > 0
    ? `${to > from ? '▲' : '▼'} ${formatShare(Math.abs(to / from - 1), locale)}${small}`
    : `▲ from none${small}`
}
/** The columns of the table, each with what it orders the parts by. */
const columns = computed((): (OrderedColumn<PartFigure> & { label: string })[] => [
  {
    key: 'part',
    label: props.view.kind === 'hours' ? 'From' : props.view.kind === 'overlapping' ? 'Way' : 'Part',
    valueOf: ({ part, name }) => (props.view.kind === 'hours' ? part : name.toLowerCase()),
  },
  ...(props.view.kind === 'overlapping'
    ? [
        { key: 'least', label: 'At least', isFigure: true, valueOf: ({ low }: PartFigure) => low ?? -1 },
        { key: 'most', label: 'At most', isFigure: true, valueOf: ({ high }: PartFigure) => high ?? -1 },
      ]
    : [
        {
          key: 'count',
          label: props.view.kind === 'hours' ? 'People' : 'Count',
          isFigure: true,
          valueOf: ({ value }: PartFigure) => value ?? -1,
        },
        {
          key: 'share',
          label: `Share ${breakdown.value.base}`,
          isFigure: true,
          valueOf: ({ share }: PartFigure) => share ?? -1,
        },
        ...(props.view.kind === 'hours'
          ? [
              {
                key: 'fullest',
                label: 'Of the fullest hour',
                isFigure: true,
                valueOf: ({ ofFullest }: PartFigure) => ofFullest ?? -1,
              },
            ]
          : []),
        ...(hasChange.value
          ? [
              {
                key: 'change',
                label: 'Against the comparison',
                isFigure: true,
                valueOf: ({ from, to }: PartFigure) =>
                  from === undefined || to === undefined
                    ? Number.NEGATIVE_INFINITY
                    : from > 0
                      ? to / from
                      : to > 0
                        ? Number.MAX_VALUE
                        : 1,
              },
            ]
          : []),
      ]),
])
const { ordered, select, orderOf } = useTableOrder(
  'parts',
  () => columns.value,
  () => props.view.rows,
)
const rows = computed(() => (props.isPlain ? props.view.rows : ordered.value))
</script>

<template>
  <div>
    <p class="quiet">{{ breakdown.definition }}</p>
    <p v-if="view.rows.length === 0 && view.times.length === 0" class="quiet">
      {{ view.withheld ?? 'There is no data for these days.' }}
    </p>
    <table v-if="['parts', 'levels', 'nested', 'hours'].includes(view.kind) && view.rows.length" class="plain-table">
      <thead>
        <tr>
          <template v-for="(column, index) in columns" :key="column.key"
            ><th v-if="isPlain" scope="col">{{ column.label }}</th>
            <OrderHeading v-else :label="column.label" :order="orderOf(column.key)" @select="select(column)" />
            <th v-if="index === 0" scope="col" class="bars"><span class="hidden-but-read">Drawing</span></th></template
          >
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.part">
          <td>{{ row.name }}</td>
          <td class="bars" aria-hidden="true"><i :style="{ width: `${(100 * (row.value ?? 0)) / most}%` }" /></td>
          <td>{{ formatCount(Math.round(row.value ?? 0), locale) }}</td>
          <td>{{ row.share === undefined ? '—' : formatShare(row.share, locale) }}</td>
          <td v-if="view.kind === 'hours'">
            {{ row.ofFullest === undefined ? '—' : formatShare(row.ofFullest, locale) }}
          </td>
          <td v-if="hasChange">{{ change(row) }}</td>
        </tr>
      </tbody>
    </table>
    <template v-else-if="view.kind === 'overlapping' && view.rows.length">
      <table class="plain-table">
        <thead>
          <tr>
            <template v-for="(column, index) in columns" :key="column.key"
              ><th v-if="isPlain" scope="col">{{ column.label }}</th>
              <OrderHeading v-else :label="column.label" :order="orderOf(column.key)" @select="select(column)" />
              <th v-if="index === 0" scope="col" class="bars">
                <span class="hidden-but-read">Drawing</span>
              </th></template
            >
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.part">
            <td>{{ row.name }}</td>
            <td class="bars" aria-hidden="true">
              <i
                class="range"
                :style="{
                  marginLeft: `${(100 * (row.low ?? 0)) / most}%`,
                  width: `${(100 * ((row.high ?? 0) - (row.low ?? 0))) / most}%`,
                }"
              />
            </td>
            <td :title="formatCount(row.low ?? 0, locale, 'down')">
              {{ formatCompact(row.low ?? 0, locale, 'down') }}
            </td>
            <td :title="formatCount(row.high ?? 0, locale, 'up')">{{ formatCompact(row.high ?? 0, locale, 'up') }}</td>
          </tr>
        </tbody>
      </table>
      <p class="quiet">
        Only daily counts are given: the largest day is the least that there were, all days added the most.
      </p>
    </template>
    <template v-for="profile in view.times" :key="profile.profile">
      <h3>{{ profile.name }}, the last {{ profile.windowDays }} days</h3>
      <table class="plain-table">
        <thead>
          <tr>
            <th scope="col">Seen</th>
            <th scope="col" class="bars"><span class="hidden-but-read">Drawing</span></th>
            <th scope="col">People</th>
            <th scope="col">{{ `Share ${breakdown.base}` }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in profile.counts" :key="row.part">
            <td>{{ row.name }}</td>
            <td class="bars" aria-hidden="true"><i :style="{ width: `${100 * row.share}%` }" /></td>
            <td>{{ formatCount(row.people, locale) }}</td>
            <td>{{ formatShare(row.share, locale) }}</td>
          </tr>
        </tbody>
      </table>
      <p class="quiet">
        {{ formatCount(profile.people, locale) }} people.
        <template v-if="profile.frequency !== undefined"
          >Frequency {{ oneDecimal(profile.frequency, locale) }}: impressions divided by people.
          <template v-if="profile.fits">It fits these counts.</template
          ><strong v-else
            >It does not fit these counts, whose mean is {{ oneDecimal(profile.bounds.low, locale, 'down') }} at least{{
              profile.bounds.high === undefined ? '' : ` and ${oneDecimal(profile.bounds.high, locale, 'up')} at most`
            }}: the network contradicts itself.</strong
          ></template
        >
        <template v-else>A day of impressions is missing, so there is no frequency.</template>
      </p>
    </template>
    <p v-if="view.rows.length || view.times.length" class="quiet">
      {{ view.profiles.join('; ')
      }}<template v-if="view.without"
        >; {{ view.without }} more {{ view.without === 1 ? 'profile does' : 'profiles do' }} not give it</template
      >.
      <template v-if="view.asOf"> Counted on {{ describeDay(view.asOf) }}.</template>
      <template v-if="view.withheld && view.kind !== 'times'"> {{ view.withheld }}</template>
      <template v-if="view.compared"> {{ view.compared }}</template>
    </p>
  </div>
</template>

<style scoped>
.bars {
  width: 34%;
}
.bars i {
  display: block;
  height: 10px;
  margin-top: 4px;
  background: var(--zaffer);
}
.bars i.range {
  background: var(--range);
  border-left: 2px solid var(--zaffer);
}
h3 {
  font: 600 var(--text-label) var(--sans);
  color: var(--ink2);
  margin: 10px 0 0;
}
</style>
