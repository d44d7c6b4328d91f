<script setup lang="ts">
import { formatDifference } from '~~/core/format/formatValue'
import { metricById } from '~~/core/metrics/catalogue'
import { describeWhy } from '~~/core/why/describeWhy'
import type { Explanation, Why } from '~~/shared/read/why'

const props = defineProps<{ why: Why; isPlain?: boolean }>()
const route = useRoute()
const { slug } = useClient()
const locale = useLocale()
const name = computed(() => metricById(props.why.metric).name)

const say = (explanation: Explanation) => (amount: number) => formatDifference(amount, explanation.unit, locale)
const change = ({ from, to }: Explanation) => to - from
function sentence(explanation: Explanation): string {
  const amount = say(explanation)
  const whole = change(explanation)
  const head =
    whole === 0
      ? `${name.value} did not change.`
      : `${name.value} ${whole > 0 ? 'rose' : 'fell'} by ${amount(Math.abs(whole)).replace('+', '')}.`
  const split =
    explanation.kind === 'mix and rate'
      ? ` ${amount(explanation.rate)} because parts did better or worse themselves, ` +
        `${amount(explanation.mix)} because their weights shifted.`
      : ''
  return `${head}${split} ${describeWhy(whole, explanation.parts, amount)}`
}
/** Bars are drawn against the largest part, to the left and the right of nothing. */
const width = (explanation: Explanation, amount: number) =>
  (50 * Math.abs(amount)) / Math.max(1e-12, ...explanation.parts.map((part) => Math.abs(part.change)))
const lead = ({ profile, format }: { profile?: number; format?: string }) => ({
  path: `/${slug.value}/content`,
  query: { ...scopeOf(route.query), ...(profile !== undefined && { who: String(profile) }), ...(format && { format }) },
})
const isLead = (part: { profile?: number; format?: string }) =>
  !props.isPlain && (part.profile !== undefined || part.format !== undefined)
</script>

<template>
  <div>
    <p v-if="why.reason" class="quiet">{{ why.reason }}</p>
    <p v-if="why.basis || why.doubt" class="quiet">
      <template v-if="why.basis">The change is told {{ why.basis }}. </template>{{ why.doubt }}
    </p>
    <div v-for="explanation in why.explanations" :key="explanation.title" class="explanation">
      <h3>{{ explanation.title }}</h3>
      <p>{{ sentence(explanation) }}</p>
      <table class="plain-table">
        <thead>
          <tr>
            <th scope="col">Part</th>
            <th scope="col">Change</th>
            <template v-if="explanation.kind === 'mix and rate'"
              ><th scope="col">By its weight</th>
              <th scope="col">By its own rate</th></template
            >
            <th scope="col" class="words bars"><span class="hidden-but-read">Drawing</span></th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="part in explanation.parts" :key="part.key">
            <td>
              <NuxtLink v-if="isLead(part)" :to="lead(part)">{{ part.key }}</NuxtLink
              ><template v-else>{{ part.key }}</template>
            </td>
            <td>{{ say(explanation)(part.change) }}</td>
            <template v-if="'mix' in part"
              ><td>{{ say(explanation)(part.mix) }}</td>
              <td>{{ say(explanation)(part.rate) }}</td></template
            >
            <td class="bars" aria-hidden="true">
              <span
                class="bar"
                :class="{ down: part.change < 0 }"
                :style="{ width: `${width(explanation, part.change)}%` }"
              />
            </td>
          </tr>
        </tbody>
      </table>
      <p v-if="explanation.note" class="quiet">{{ explanation.note }}</p>
    </div>
    <PostsBehind v-if="why.posts" :posts="why.posts" />
    <p v-for="one in why.without ?? []" :key="one" class="quiet">{{ one }}</p>
  </div>
</template>

<style scoped>
.explanation {
  margin: 6px 0 14px;
}
h3 {
  font: italic 600 15px var(--serif);
  color: var(--ink2);
  margin-top: 8px;
}
.bars {
  width: 40%;
  position: relative;
}
.bars::before {
  content: '';
  position: absolute;
  left: 50%;
  top: 0;
  bottom: 0;
  border-left: 1px solid var(--rule2);
}
th.bars::before {
  content: none;
}
.bar {
  position: absolute;
  left: 50%;
  top: 7px;
  height: 10px;
  background: var(--zaffer);
}
.bar.down {
  left: auto;
  right: 50%;
  background: var(--earlier);
}
</style>
