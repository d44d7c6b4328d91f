<script setup lang="ts">
/** What a network says of how many could be reached: the range, how it is made up, and how it changes with the radius. */
import { formatCount, formatShare, oneDecimal } from '~~/core/format/numbers'
import type { EstimateInput, ReachableView } from '~~/shared/read/reachable'

const props = defineProps<{ view: ReachableView; asked: EstimateInput; networkName: string }>()
const locale = useLocale()
const count = (value: number) => formatCount(value, locale)
const GENDERS = { f: 'Women', m: 'Men' }
const most = computed(() => Math.max(1, ...(props.view.estimate?.byAge ?? []).map(({ people }) => people)))
const widest = computed(() => Math.max(1, ...props.view.byRadius.map(({ high }) => high ?? 0)))
</script>

<template>
  <div aria-live="polite">
    <p v-if="!view.estimate" class="none">
      {{ networkName }} says nothing of so few people. Choose a larger radius, or ask for less of them.
    </p>
    <template v-else>
      <p class="range">
        ≈ <b>{{ count(view.estimate.low) }} to {{ count(view.estimate.high) }}</b> people
      </p>
      <p class="quiet">
        So many could be reached on {{ networkName }}, by its own estimate, which it rounds. It is not how many were
        reached, nor how many will be.
      </p>
      <div class="columns">
        <section aria-label="By gender and age">
          <dl>
            <template v-for="each in view.estimate.byGender" :key="each.gender"
              ><dt>{{ GENDERS[each.gender] }}</dt>
              <dd>{{ count(each.people) }}</dd></template
            >
          </dl>
          <ul class="ages">
            <li v-for="each in view.estimate.byAge" :key="each.age">
              <span>{{ each.age.replace('-', '–') }}</span>
              <span class="bar" aria-hidden="true"><i :style="{ width: `${(100 * each.people) / most}%` }" /></span>
              <span>{{ count(each.people) }}</span>
            </li>
          </ul>
        </section>
        <section v-if="view.estimate.towns.length" aria-label="Largest towns">
          <h3>Largest towns</h3>
          <dl>
            <template v-for="town in view.estimate.towns" :key="town.name"
              ><dt>{{ town.name }}</dt>
              <dd>{{ count(town.people) }}</dd></template
            >
          </dl>
        </section>
        <section aria-label="What they also follow">
          <h3>What they also follow</h3>
          <dl>
            <template v-for="each in view.estimate.alsoFollow" :key="each.name"
              ><dt>{{ each.name }}</dt>
              <dd>{{ formatShare(each.share, locale) }}</dd></template
            >
          </dl>
        </section>
      </div>
    </template>
    <section v-if="view.byRadius.length > 1" aria-label="By radius">
      <h3>How it changes with the radius</h3>
      <ul class="ages">
        <li v-for="each in view.byRadius" :key="each.radius" :class="{ chosen: each.radius === asked.radius }">
          <span>{{ oneDecimal(each.radius, locale) }} km</span>
          <span class="bar" aria-hidden="true"
            ><i
              v-if="each.high !== null"
              class="between"
              :style="{
                left: `${(100 * each.low!) / widest}%`,
                width: `${Math.max(1, (100 * (each.high - each.low!)) / widest)}%`,
              }"
          /></span>
          <span>{{ each.high === null ? 'too few' : `${count(each.low!)} to ${count(each.high)}` }}</span>
        </li>
      </ul>
    </section>
  </div>
</template>

<style scoped>
.range {
  font: 400 1.143rem var(--serif);
}
.range b {
  font-size: 1.6rem;
  font-weight: 600;
}
.columns {
  display: grid;
  grid-template-columns: 1.4fr 1fr 1fr;
  gap: 22px;
  margin: 10px 0;
}
h3 {
  font-size: var(--text-small);
  color: var(--ink2);
  margin: 0 0 3px;
}
dl {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 2px 10px;
}
dd {
  text-align: right;
}
.ages {
  list-style: none;
  display: grid;
  gap: 3px;
  margin-top: 6px;
}
li {
  display: grid;
  grid-template-columns: 4.2rem minmax(60px, 1fr) 9rem;
  gap: 8px;
  align-items: center;
}
li.chosen {
  font-weight: 600;
}
.bar {
  position: relative;
  height: 12px;
  border-left: 1px solid var(--rule2);
}
.bar i {
  position: absolute;
  height: 12px;
  background: var(--series);
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: 1fr;
  }
}
</style>
