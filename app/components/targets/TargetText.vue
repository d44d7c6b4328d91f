<script setup lang="ts">
import { formatShare } from '~~/core/format/numbers'
import { formatValue } from '~~/core/format/formatValue'
import { metricById } from '~~/core/metrics/catalogue'
import { describeDay } from '~~/core/periods/describePeriod'
import type { TargetView } from '~~/server/work/targets'

const props = defineProps<{ target: TargetView }>()
const locale = useLocale()
const metric = computed(() => metricById(props.target.metric))
const say = (value: number) => formatValue(value, metric.value.unit, locale)
const WORDS = { 'reached': 'Reached', 'on course': 'On course', 'open': 'Open: it can go either way', 'in danger': 'In danger', 'missed': 'Missed', 'unknown': 'Not known yet' } as const
const MARKS = { 'reached': '✓', 'on course': '▲', 'open': '◆', 'in danger': '▼', 'missed': '✕', 'unknown': '–' } as const
const judgement = computed(() => ({ 'reached': 'better', 'on course': 'better', 'in danger': 'worse', 'missed': 'worse', 'open': '', 'unknown': '' })[props.target.progress.standing])
const perDay = computed(() => (metric.value.kind === 'ratio' ? '' : ' a day'))
</script>

<template>
  <div class="target">
    <h3>{{ metric.name }} of {{ target.whoWords }}: {{ target.isCeiling ? 'no more than ' : '' }}{{ say(target.wanted) }} by {{ describeDay(target.by) }} <b :class="judgement"><span aria-hidden="true">{{ MARKS[target.progress.standing] }}</span> {{ WORDS[target.progress.standing] }}</b></h3>
    <TargetBar :target="target" />
    <p>
      <template v-if="target.figure.value !== undefined">{{ say(target.figure.value) }} {{ metric.kind === 'stock' ? 'now' : `since ${describeDay(target.from)}` }}<template v-if="target.start !== undefined">, {{ say(target.start) }} on {{ describeDay(target.from) }}</template>.</template>
      <template v-else>{{ target.figure.reason ?? 'There is no figure yet.' }}</template>
      <template v-if="target.progress.done !== undefined"> {{ formatShare(target.progress.done, locale) }} of the way with {{ formatShare(target.progress.elapsed, locale) }} of the time over.</template>
      <template v-if="target.progress.pace !== undefined && target.progress.paceNeeded !== undefined"> {{ metric.kind === 'ratio' ? 'So far' : 'Pace' }} {{ say(target.progress.pace) }}{{ perDay }}; needed over the {{ target.progress.daysLeft }} days left: {{ say(Math.max(0, target.progress.paceNeeded)) }}{{ perDay }}.</template>
      <template v-if="target.figure.coverage.present < target.figure.coverage.expected"> {{ target.figure.coverage.expected - target.figure.coverage.present }} profile-days have no data, so there may be more.</template>
    </p>
    <p v-if="target.heading">
      Heading for ≈ {{ say(target.heading.value) }}, with four chances in five between {{ say(target.heading.low) }} and {{ say(target.heading.high) }}.
      <span class="quiet">From the trend and the weekday pattern of the last twelve weeks.<template v-if="target.checked && target.checked.tried > 0"> Checked on its own past: {{ target.checked.within }} of {{ target.checked.tried }} earlier forecasts of this length held<template v-if="target.checked.typicalError !== undefined">; typical error {{ formatShare(target.checked.typicalError, locale) }}{{ metric.kind === 'stock' ? ' of the growth' : '' }}</template>.</template></span>
    </p>
    <p v-else-if="target.reason" class="quiet">{{ target.reason }}</p>
    <slot />
  </div>
</template>

<style scoped>
.target { padding: 8px 0; border-bottom: 1px solid var(--rule); break-inside: avoid; }
h3 { font: 600 1rem/1.35 var(--sans); }
h3 b { font-weight: 650; margin-left: 8px; white-space: nowrap; }
p { color: var(--ink2); }
</style>
