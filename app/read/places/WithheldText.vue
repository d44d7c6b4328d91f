<script setup lang="ts">
/** How many direction requests a network does not place, where it does so for some. */
import { formatCount } from '~~/core/format/numbers'
import type { PlaceInsights } from '~~/shared/read/places'

defineProps<{ withheld: NonNullable<PlaceInsights['withheld']> }>()
const locale = useLocale()
</script>

<template>
  <p class="quiet">
    Of {{ formatCount(withheld.of, locale) }} requests on the {{ withheld.days }} days of which areas are told,
    {{ formatCount(withheld.requests, locale) }} are not placed: areas with few of them on a day are withheld.
  </p>
</template>

<style scoped>
p {
  font-size: var(--text-small);
}
</style>
