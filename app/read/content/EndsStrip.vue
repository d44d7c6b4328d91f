<script setup lang="ts">
/** Every post of the period on one line by its figure, both ends labelled, the best and the worst with their number. */
import { figureOfPost, type RankedPost } from '~~/core/posts/bestAndWorst'
import type { ListedPost } from '~~/shared/read/content'
import { RANKINGS, type Ends } from '~~/shared/read/endsBlock'
import { placesOnStrip } from './stripPlaces'

const props = defineProps<{ ends: Ends; say: (value: number) => string }>()
const most = computed(() => Math.max(...props.ends.values, 0))
const places = (posts: readonly RankedPost<ListedPost>[]) =>
  placesOnStrip(
    posts.map((post) => figureOfPost(post, props.ends.by)!),
    most.value,
  )
const dots = computed(() => placesOnStrip(props.ends.values, most.value))
const label = computed(
  () =>
    `Every post by ${RANKINGS[props.ends.by].name}, from ${props.say(props.ends.values[0]!)} to ${props.say(props.ends.values.at(-1)!)}`,
)
</script>

<template>
  <div role="img" :aria-label="label">
    <div class="line">
      <i v-for="(place, index) in dots" :key="index" :style="{ left: `${place}%` }" />
      <b
        v-for="(place, index) in places(ends.worst)"
        :key="`w${index}`"
        class="worst"
        :style="{ 'left': `${place}%`, '--row': index % 3 }"
        >{{ index + 1 }}</b
      >
      <b
        v-for="(place, index) in places(ends.best)"
        :key="`b${index}`"
        :style="{ 'left': `${place}%`, '--row': index % 3 }"
        >{{ index + 1 }}</b
      >
    </div>
    <p class="ends">
      <span>{{ RANKINGS[ends.by].worst }}: {{ say(ends.values[0]!) }}</span>
      <span>{{ RANKINGS[ends.by].best }}: {{ say(ends.values.at(-1)!) }}</span>
    </p>
  </div>
</template>

<style scoped>
.line {
  position: relative;
  height: 92px;
  margin: 0 11px;
  border-bottom: 1px solid var(--rule2);
}
i {
  position: absolute;
  bottom: 4px;
  width: 7px;
  height: 7px;
  margin-left: -3.5px;
  border: 1px solid var(--ink3);
  border-radius: 50%;
  opacity: 0.55;
}
b {
  position: absolute;
  bottom: calc(14px + var(--row) * 25px);
  width: 22px;
  margin-left: -11px;
  text-align: center;
  font-size: var(--text-small);
  line-height: 20px;
  border: 1.5px solid var(--zaffer);
  border-radius: 50%;
  background: var(--zaffer);
  color: var(--paper);
}
b.worst {
  background: var(--paper);
  border-color: var(--ink3);
  color: var(--ink);
}
.ends {
  display: flex;
  justify-content: space-between;
  font-size: var(--text-small);
  color: var(--ink2);
  padding: 3px 0 8px;
}
</style>
