<script setup lang="ts">
/** Places beside each other: how often each was searched, looked at and acted on, and where its rate stands. */
import { bestWords } from './bestWords'
import { formatCount, formatSignedShare, oneDecimal } from '~~/core/format/numbers'
import type { PlaceRow, PlacesView } from '~~/shared/read/places'

const props = defineProps<{ view: PlacesView; isPlain?: boolean }>()
const locale = useLocale()
const { slug } = useClient()
const { address } = useScope()
/** Those with figures; the others are named below. */
const rows = computed(() =>
  props.view.places.filter(({ isActive, values }) => isActive && Object.keys(values).length > 0),
)
const numberOf = (row: PlaceRow) => props.view.places.indexOf(row) + 1
const most = computed(() => Math.max(...rows.value.map(({ perViews }) => perViews?.high ?? 0), 1))
const WIDTH = 110
const x = (value: number) => (Math.min(value, most.value) / most.value) * WIDTH

const figure = (key: 'searches' | 'listing_views' | 'listing_actions', label: string) => ({
  key,
  label,
  isFigure: true,
  valueOf: ({ values }: PlaceRow) => values[key] ?? -1,
})
const COLUMNS = computed(() => [
  { key: 'number', label: 'No.', valueOf: numberOf, textOf: (row: PlaceRow) => String(numberOf(row)) },
  { key: 'name', label: 'Place', isWords: true, valueOf: ({ name }: PlaceRow) => name },
  figure('searches', 'Searches'),
  figure('listing_views', 'Listing views'),
  figure('listing_actions', 'Actions'),
  {
    key: 'rate',
    label: 'Actions for 1,000 views',
    isFigure: true,
    valueOf: ({ perViews }: PlaceRow) => perViews?.value ?? -1,
  },
])
/** The change of a figure in words, without judging one that may be chance. */
function changeOf({ changes }: PlaceRow, key: 'searches' | 'listing_views' | 'listing_actions') {
  const change = changes[key]
  if (!change) return ''
  if (change.isUnclear) return 'no clear change'
  return change.relative === undefined
    ? `from ${formatCount(change.from, locale)}`
    : formatSignedShare(change.relative, locale)
}
const place = (id: number) => ({ path: `/${slug.value}/places/${id}`, query: address.value })
</script>

<template>
  <div>
    <WideContent label="Places">
      <OrderedTable name="places" :columns="COLUMNS" :rows="rows" :key-of="({ id }) => id" :is-plain="isPlain">
        <template #name="{ row }"
          ><strong v-if="isPlain">{{ row.name }}</strong
          ><NuxtLink v-else :to="place(row.id)">{{ row.name }}</NuxtLink
          ><span class="quiet remark"
            >{{ row.town
            }}{{
              row.days.known < row.days.of
                ? `${row.town ? ', ' : ''}${row.days.known} of ${row.days.of} days known`
                : ''
            }}</span
          ></template
        >
        <template v-for="key in ['searches', 'listing_views', 'listing_actions'] as const" :key="key" #[key]="{ row }"
          ><template v-if="row.values[key] !== undefined"
            >{{ formatCount(row.values[key], locale) }}
            <span class="quiet change">{{ changeOf(row, key) }}</span></template
          ><template v-else>—</template></template
        >
        <template #rate="{ row }"
          ><span v-if="row.perViews" class="rate"
            ><svg :width="WIDTH" height="14" aria-hidden="true">
              <rect
                class="band"
                :x="x(row.perViews.low)"
                y="4"
                :width="Math.max(1, x(row.perViews.high) - x(row.perViews.low))"
                height="6"
              />
              <line class="at" :x1="x(row.perViews.value)" :x2="x(row.perViews.value)" y1="1" y2="13" />
              <line
                v-if="view.median"
                class="middle"
                :x1="x(view.median.perViews)"
                :x2="x(view.median.perViews)"
                y1="0"
                y2="14"
              /></svg
            ><span class="number">{{ oneDecimal(row.perViews.value, locale) }}</span
            ><span class="quiet change"
              >{{ oneDecimal(row.perViews.low, locale, 'down') }} to
              {{ oneDecimal(row.perViews.high, locale, 'up') }}</span
            ></span
          ><template v-else>—</template></template
        >
      </OrderedTable>
    </WideContent>
    <p class="quiet small">
      Actions are clicks to the site, direction requests, calls, messages and bookings; one person can do several. The
      band is how far chance alone may carry the rate (95 %).
      <template v-if="view.median"
        >The thin line is the middle of {{ view.median.places }} places:
        {{ oneDecimal(view.median.perViews, locale) }}.</template
      ><template v-else>A middle needs three places with 30 views each.</template>
      <template v-if="view.best">{{ ' ' }}{{ bestWords(view.best, view.median, locale) }}</template>
    </p>
    <ul v-if="view.without.length" class="quiet small">
      <li v-for="{ id, name, reason } in view.without" :key="id">
        <NuxtLink v-if="!isPlain" :to="place(id)">{{ name }}</NuxtLink
        ><template v-else>{{ name }}</template
        >: {{ reason }}
      </li>
    </ul>
  </div>
</template>

<style scoped>
.remark {
  margin-left: 8px;
  font-size: var(--text-small);
}
.change {
  font-size: var(--text-small);
  margin-left: 4px;
}
.rate {
  display: inline-flex;
  align-items: center;
  gap: 6px;
}
.number {
  min-width: 3.2em;
  text-align: right;
}
.band {
  fill: var(--range);
}
.at {
  stroke: var(--series);
  stroke-width: 2.2;
}
.middle {
  stroke: var(--ink3);
  stroke-width: 1;
}
.small {
  font-size: var(--text-small);
  margin: 6px 0;
}
ul {
  padding-left: 20px;
}
</style>
