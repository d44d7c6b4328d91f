<script setup lang="ts">
import { metricById } from '~~/core/metrics/catalogue'
import { describePeriodShort } from '~~/core/periods/describePeriod'
import type { Period } from '~~/core/periods/period'
import type { ComparedFigure } from '~~/core/rollup/compareFigures'

const props = defineProps<{
  compared: ComparedFigure
  missing?: { name: string; ranges: Period[] }[]
  unreported?: string[]
  firstFetch?: string[]
  unconnected?: string[]
  withoutConsent?: string[]
}>()
const figure = computed(() => props.compared.figure)
const metric = computed(() => metricById(figure.value.metric))
const working = computed(() => figure.value.working)
const KIND = {
  flow: 'Added over days and profiles.', stock: 'The last count of each profile at or before the end of the period, no older than seven days; profiles are added.',
  unique: 'Never added: people seen twice are one person.', ratio: 'Both parts are rolled up first, then divided; never an average of rates.',
} as const
</script>

<template>
  <div class="workings">
    <p>{{ metric.definition }}</p>
    <p class="quiet">{{ KIND[metric.kind] }}</p>
    <p v-if="figure.reason">{{ figure.reason }}</p>
    <RangeBar :figure="figure" />
    <div v-if="working?.value" class="calc"><WorkingSteps :working="working.value" :unit="metric.unit" :total="figure.exactness === 'exact' ? metric.name : 'Estimate'" /></div>
    <div v-if="working?.low" class="calc"><WorkingSteps :working="working.low" :unit="metric.unit" total="At least" /></div>
    <div v-if="working?.high" class="calc"><WorkingSteps :working="working.high" :unit="metric.unit" total="At most" /></div>
    <p v-if="compared.change">Against the comparison: <ChangeText :metric="metric.id" :change="compared.change" /><template v-if="compared.change.basis">, {{ compared.change.basis }}</template>.</p>
    <p v-for="name in firstFetch ?? []" :key="name">The first fetch of {{ name }} is still running; the figure will grow.</p>
    <p v-if="figure.coverage.expected > 0 && metric.kind !== 'stock'">{{ figure.coverage.present }} of {{ figure.coverage.expected }} profile-days present<template v-if="missing?.length">; missing:</template><template v-else>.</template></p>
    <ul v-if="missing?.length"><li v-for="gap in missing" :key="gap.name">{{ gap.name }}: {{ gap.ranges.map(describePeriodShort).join(', ') }}</li></ul>
    <p v-if="unconnected?.length">No part of it, since it has no figures yet: {{ unconnected.join('; ') }}.</p>
    <p v-if="withoutConsent?.length">Not part of it, since the owner has not given consent: {{ withoutConsent.join('; ') }}.</p>
    <p v-if="unreported?.length">Not part of it, since the network does not report it: {{ unreported.join('; ') }}.</p>
  </div>
</template>

<style scoped>
.workings { font-size: 0.964rem; color: var(--ink2); }
p { margin-bottom: 8px; }
.calc { border-top: 1px solid var(--rule); padding: 7px 0; }
ul { padding-left: 16px; margin-bottom: 8px; }
</style>
