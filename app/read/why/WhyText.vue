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
type Part = Explanation['parts'][number]
function columnsOf(explanation: Explanation) {
  const amount = say(explanation)
  const figure = (key: string, label: string, valueOf: (part: Part) => number) => ({
    key,
    label,
    isFigure: true,
    valueOf,
    textOf: (part: Part) => amount(valueOf(part)),
  })
  return [
    { key: 'part', label: 'Part', valueOf: ({ key }: Part) => key },
    figure('change', 'Change', ({ change: value }) => value),
    ...(explanation.kind === 'mix and rate'
      ? [
          figure('weight', 'By its weight', (part) => ('mix' in part ? part.mix : 0)),
          figure('rate', 'By its own rate', (part) => ('rate' in part ? part.rate : 0)),
        ]
      : []),
  ]
}
</script>

<template>
  <div>
    <p v-if="why.reason" class="quiet">{{ why.reason }}</p>
    <p v-if="why.basis || why.doubt" class="quiet">
      <template v-if="why.basis">The change is told {{ why.basis }}. </template>{{ why.doubt }}
    </p>
    <div v-for="(explanation, index) in why.explanations" :key="explanation.title" class="explanation">
      <h3>{{ explanation.title }}</h3>
      <p>{{ sentence(explanation) }}</p>
      <OrderedTable
        :name="`why${index || ''}`"
        :columns="columnsOf(explanation)"
        :rows="explanation.parts"
        :key-of="({ key }) => key"
        :is-plain="isPlain"
        end-label="Drawing"
      >
        <template #part="{ row }">
          <NuxtLink v-if="isLead(row)" :to="lead(row)">{{ row.key }}</NuxtLink
          ><template v-else>{{ row.key }}</template>
        </template>
        <template #end="{ row }">
          <td class="bars" aria-hidden="true">
            <span
              class="bar"
              :class="{ down: row.change < 0 }"
              :style="{ width: `${width(explanation, row.change)}%` }"
            />
          </td>
        </template>
      </OrderedTable>
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
