<script setup lang="ts">
/** Who stands at one point, and how the place itself has moved there. */
import { oneDecimal } from '~~/core/format/numbers'
import { distanceKm } from '~~/core/ranks/greatCircle'
import type { RankView } from '~~/shared/read/ranks'
import { moveWords, rankWords } from './rankWords'

const props = defineProps<{ view: RankView; index: number }>()
const locale = useLocale()
const point = computed(() => props.view.now!.points[props.index]!)
const SHOWN = 5
const standing = computed(() => {
  const { listings } = props.view.now!
  return point.value.found
    .map((number, index) => ({ rank: index + 1, ...listings[number]! }))
    .filter(({ rank, isOwn }) => rank <= SHOWN || isOwn)
    .map((listing) => ({ ...listing, km: distanceKm(point.value, listing) }))
})
</script>

<template>
  <section aria-labelledby="rank-point" aria-live="polite">
    <h3 id="rank-point" class="heading">
      Point {{ point.number }},
      {{ point.km < 0.001 ? 'at its door' : `${oneDecimal(point.km, locale)} km ${point.wind}` }}
    </h3>
    <ol>
      <li v-for="{ rank, name, km, isOwn } in standing" :key="rank" :class="{ own: isOwn }">
        <span>{{ rank }} {{ name }}</span
        ><span class="quiet">{{ oneDecimal(km, locale) }} km</span>
      </li>
    </ol>
    <p v-if="point.found.length === 0" class="quiet">Nothing was found here.</p>
    <p v-else-if="point.rank === null">{{ view.watch.place.name }}: {{ rankWords(null) }}.</p>
    <p v-if="view.before" class="quiet">{{ moveWords(view, index) }}</p>
  </section>
</template>

<style scoped>
ol {
  list-style: none;
  padding: 0;
  margin: 4px 0;
}
li {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  padding: 3px 0;
}
.own {
  font-weight: 650;
  border-top: 1px solid var(--ink);
  border-bottom: 1px solid var(--rule);
}
p {
  font-size: var(--text-small);
  margin: 4px 0;
}
</style>
