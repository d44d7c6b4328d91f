<script setup lang="ts">
import { formatCount, oneDecimal } from '~~/core/format/numbers'
import { metricById } from '~~/core/metrics/catalogue'
import { describeWhy } from '~~/core/why/describeWhy'
import type { Explanation, Why } from '~~/server/work/why'

const props = defineProps<{ metric: string }>()
const route = useRoute()
const { slug, base } = useClient()
const { address } = useScope()
const locale = useLocale()
const asked = computed(() => ({ ...address.value, metric: props.metric }))
const { data, error } = useQuery({ key: () => ['why', slug.value, asked.value], query: () => api<Why>(`${base.value}/why`, { query: asked.value }) })
const name = computed(() => metricById(props.metric).name)

const say = (explanation: Explanation) => (amount: number) => {
  const sign = amount > 0 ? '+' : ''
  return explanation.unit === 'share' ? `${sign}${oneDecimal(amount * 100, locale)}\u202Fpt` : `${sign}${formatCount(amount, locale)}`
}
const change = ({ from, to }: Explanation) => to - from
function sentence(explanation: Explanation): string {
  const amount = say(explanation)
  const whole = change(explanation)
  const head = whole === 0 ? `${name.value} did not change.` : `${name.value} ${whole > 0 ? 'rose' : 'fell'} by ${amount(Math.abs(whole)).replace('+', '')}.`
  const split = explanation.kind === 'mix and rate' ? ` ${amount(explanation.rate)} because parts did better or worse themselves, ${amount(explanation.mix)} because their weights shifted.` : ''
  return `${head}${split} ${describeWhy(whole, explanation.parts, amount)}`
}
/** Bars are drawn against the largest part, to the left and the right of nothing. */
const width = (explanation: Explanation, amount: number) => (50 * Math.abs(amount)) / Math.max(1e-12, ...explanation.parts.map((part) => Math.abs(part.change)))
const lead = ({ profile, format }: { profile?: number; format?: string }) => ({
  path: `/${slug.value}/content`, query: { ...scopeOf(route.query), ...(profile !== undefined && { who: String(profile) }), ...(format && { format }) },
})
const isLead = (part: { profile?: number; format?: string }) => part.profile !== undefined || part.format !== undefined
</script>

<template>
  <section aria-labelledby="why-heading" class="why">
    <h2 id="why-heading" class="heading">Why {{ name.toLowerCase() }} changed</h2>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <p v-if="data?.reason" class="quiet">{{ data.reason }}</p>
    <div v-for="explanation in data?.explanations ?? []" :key="explanation.title" class="explanation">
      <h3>{{ explanation.title }}</h3>
      <p>{{ sentence(explanation) }}</p>
      <table class="plain-table">
        <thead><tr><th scope="col">Part</th><th scope="col">Change</th><template v-if="explanation.kind === 'mix and rate'"><th scope="col">By its weight</th><th scope="col">By its own rate</th></template><th scope="col" class="words bars"><span class="hidden-but-read">Drawing</span></th></tr></thead>
        <tbody>
          <tr v-for="part in explanation.parts" :key="part.key">
            <td><NuxtLink v-if="isLead(part)" :to="lead(part)">{{ part.key }}</NuxtLink><template v-else>{{ part.key }}</template></td>
            <td>{{ say(explanation)(part.change) }}</td>
            <template v-if="'mix' in part"><td>{{ say(explanation)(part.mix) }}</td><td>{{ say(explanation)(part.rate) }}</td></template>
            <td class="bars" aria-hidden="true"><span class="bar" :class="{ down: part.change < 0 }" :style="{ width: `${width(explanation, part.change)}%` }" /></td>
          </tr>
        </tbody>
      </table>
      <p v-if="explanation.note" class="quiet">{{ explanation.note }}</p>
    </div>
  </section>
</template>

<style scoped>
.why { margin-top: 22px; }
.explanation { margin: 6px 0 14px; }
h3 { font: italic 600 15px var(--serif); color: var(--ink2); margin-top: 8px; }
.bars { width: 40%; position: relative; }
.bars::before { content: ''; position: absolute; left: 50%; top: 0; bottom: 0; border-left: 1px solid var(--rule2); }
th.bars::before { content: none; }
.bar { position: absolute; left: 50%; top: 7px; height: 10px; background: var(--zaffer); }
.bar.down { left: auto; right: 50%; background: var(--earlier); }
</style>
