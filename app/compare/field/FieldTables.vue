<script setup lang="ts">
/** Following, output and response: from, to, difference and rate of each member, and where it stands. */
import { formatDifference, formatValue } from '~~/core/format/formatValue'
import { formatSignedShare, oneDecimal } from '~~/core/format/numbers'
import { metricById } from '~~/core/metrics/catalogue'
import { FIELD_MEASURES, type Field, type FieldRow, type FieldTable } from '~~/shared/compare/field'

const props = defineProps<{ field: Field; isPlain?: boolean }>()
const locale = useLocale()
const nameOf = ({ member }: FieldRow) => props.field.members.find(({ id }) => id === member)!.name
const isOwn = ({ member }: FieldRow) => member === 0
const sideOf = ({ metric }: FieldTable) => FIELD_MEASURES.find((measure) => measure.metric === metric)!.side
/** Measures that nobody has on these networks are left out. */
const tables = computed(() => props.field.tables.filter(({ rows }) => rows.some(({ value }) => value !== undefined)))
/** Rows with a value first, the largest at the top. */
const rowsOf = ({ rows }: FieldTable) => [...rows].sort((a, b) => (b.value ?? -1) - (a.value ?? -1))
const [WIDTH, MOST] = [92, 250]
const place = (index: number) => (Math.min(index, MOST) / MOST) * WIDTH
const bandOf = ({ band }: FieldTable) =>
  band && band.middle > 0
    ? { from: place((100 * band.lower) / band.middle), to: place((100 * band.upper) / band.middle) }
    : undefined

function columnsOf({ metric }: FieldTable) {
  const { unit, name } = metricById(metric)
  const value = (given: number | undefined) => (given === undefined ? '—' : formatValue(given, unit, locale))
  return [
    { key: 'member', label: name, isWords: true, valueOf: nameOf },
    {
      key: 'from',
      label: 'From',
      isFigure: true,
      valueOf: ({ from }: FieldRow) => from ?? -1,
      textOf: ({ from }: FieldRow) => value(from),
    },
    {
      key: 'to',
      label: 'To',
      isFigure: true,
      valueOf: ({ to, value: whole }: FieldRow) => to ?? whole ?? -1,
      textOf: ({ to, value: whole }: FieldRow) => value(to ?? whole),
    },
    {
      key: 'difference',
      label: 'Difference',
      isFigure: true,
      valueOf: ({ difference }: FieldRow) => difference ?? -Infinity,
      textOf: ({ difference }: FieldRow) =>
        difference === undefined ? '—' : formatDifference(difference, unit, locale),
    },
    {
      key: 'rate',
      label: 'Rate',
      isFigure: true,
      valueOf: ({ rate }: FieldRow) => rate ?? -Infinity,
      textOf: ({ rate, isUnclear }: FieldRow) =>
        isUnclear ? 'no clear change' : rate === undefined ? '—' : formatSignedShare(rate, locale),
    },
    {
      key: 'rank',
      label: 'Rank',
      isFigure: true,
      valueOf: ({ standing }: FieldRow) => -(standing?.rank ?? 999),
      textOf: ({ standing, rankBefore }: FieldRow) =>
        !standing
          ? '—'
          : rankBefore === undefined || rankBefore === standing.rank
            ? String(standing.rank)
            : `${standing.rank}, was ${rankBefore}`,
    },
    {
      key: 'index',
      label: 'Index to the median',
      isFigure: true,
      valueOf: ({ standing }: FieldRow) => standing?.index ?? -1,
    },
  ]
}
/** Where the change rests on less than the period has, how much that is in all; and of how many days it is known. */
const remarkOf = (metric: string, { days, reason, value, to }: FieldRow) =>
  reason ??
  [
    value !== undefined && to !== undefined && Math.abs(value - to) > 1e-9 * Math.abs(value)
      ? `${formatValue(value, metricById(metric).unit, locale)} in all`
      : '',
    days ? `${days.known} of ${days.of} days known` : '',
  ]
    .filter(Boolean)
    .join(', ')
const hasBand = computed(() => tables.value.some(({ band }) => band))
</script>

<template>
  <div>
    <section
      v-for="table in tables"
      :key="table.metric"
      :aria-label="`${sideOf(table)}: ${metricById(table.metric).name}`"
    >
      <h3 class="side">{{ sideOf(table) }}</h3>
      <OrderedTable
        :name="table.metric"
        :columns="columnsOf(table)"
        :rows="rowsOf(table)"
        :key-of="({ member }) => member"
        :is-plain="isPlain"
      >
        <template #member="{ row }"
          ><strong :class="{ own: isOwn(row) }">{{ nameOf(row) }}</strong
          ><span v-if="remarkOf(table.metric, row)" class="quiet remark">{{
            remarkOf(table.metric, row)
          }}</span></template
        >
        <template #index="{ row }"
          ><span v-if="row.standing?.index !== undefined" class="index"
            ><svg :width="WIDTH" height="14" aria-hidden="true">
              <rect
                v-if="bandOf(table)"
                class="band"
                :x="bandOf(table)!.from"
                y="4"
                :width="bandOf(table)!.to - bandOf(table)!.from"
                height="6"
              />
              <line class="middle" :x1="place(100)" :x2="place(100)" y1="1" y2="13" />
              <line class="at" :x1="place(row.standing.index)" :x2="place(row.standing.index)" y1="1" y2="13" /></svg
            ><span class="number"
              >{{ row.standing.index > MOST ? '→ ' : '' }}{{ oneDecimal(row.standing.index, locale) }}</span
            ></span
          ><template v-else>—</template></template
        >
      </OrderedTable>
    </section>
    <p class="quiet small">
      Only what everybody can see is compared, of the client too: interactions are reactions, comments and shares,
      without saves. Rank and index are by what the whole period has; changes rest on the days that a profile has in
      both periods. Nothing is scaled up.
      <template v-if="hasBand"
        >The <span class="key" aria-hidden="true" /> band is the middle half of the field, the thin line its median,
        which is 100.</template
      ><template v-else>A typical band needs three members.</template>
    </p>
  </div>
</template>

<style scoped>
.side {
  font: 600 0.929rem var(--sans);
  color: var(--ink2);
  margin: 12px 0 0;
}
.own {
  color: var(--zaffer);
}
.remark {
  margin-left: 8px;
  font-size: var(--text-small);
}
.index {
  display: inline-flex;
  gap: 8px;
  align-items: center;
  justify-content: flex-end;
}
.number {
  min-width: 4em;
  text-align: right;
}
.band {
  fill: var(--range);
}
.middle {
  stroke: var(--ink3);
}
.at {
  stroke: var(--zaffer);
  stroke-width: 2.6;
}
.small {
  font-size: var(--text-small);
  margin-top: 6px;
}
.key {
  display: inline-block;
  width: 16px;
  height: 7px;
  background: var(--range);
}
</style>
