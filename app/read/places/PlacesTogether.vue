<script setup lang="ts">
/** Several places as one: what all of them together brought, from search to action. */
import { formatCount, formatSignedShare, oneDecimal } from '~~/core/format/numbers'
import type { PlacesView } from '~~/shared/read/places'

const props = defineProps<{ together: NonNullable<PlacesView['together']>; listings: number[]; isPlain?: boolean }>()
const locale = useLocale()
const session = useSession()
const { slug } = useClient()
const { address } = useScope()
const STEPS = [
  { key: 'searches', one: 'search', many: 'searches' },
  { key: 'listing_views', one: 'listing view', many: 'listing views' },
  { key: 'listing_actions', one: 'action', many: 'actions' },
] as const
const steps = computed(() =>
  STEPS.flatMap(({ key, one, many }) => {
    const value = props.together.values[key]
    if (value === undefined) return []
    const change = props.together.changes[key]
    const changed = !change
      ? ''
      : change.isUnclear
        ? ' (no clear change)'
        : change.relative === undefined
          ? ''
          : ` (${formatSignedShare(change.relative, locale)})`
    return [`${formatCount(value, locale)} ${value === 1 ? one : many}${changed}`]
  }),
)
const rate = computed(() => props.together.perViews)
const overview = computed(() => ({
  path: `/${slug.value}/overview`,
  query: { ...address.value, who: props.listings.join(',') },
}))
</script>

<template>
  <p>
    Together the {{ together.places }} places had {{ steps.join(', ')
    }}<template v-if="rate"
      >: {{ oneDecimal(rate.value, locale) }} actions for 1,000 views ({{ oneDecimal(rate.low, locale, 'down') }} to
      {{ oneDecimal(rate.high, locale, 'up') }})</template
    >.
    <span v-if="together.days.known < together.days.of" class="quiet"
      >{{ together.days.known }} of {{ together.days.of }} days of their listings are known. </span
    ><NuxtLink v-if="!isPlain && session.may(slug, 'figures')" class="no-print" :to="overview"
      >Their listings on the overview</NuxtLink
    >
  </p>
</template>
