<script setup lang="ts">
import type { Rounding } from '~~/core/format/formatter'
import { explainChange } from '~~/core/format/formatChange'
import { formatValue } from '~~/core/format/formatValue'
import { metricById } from '~~/core/metrics/catalogue'
import { describePeriodShort } from '~~/core/periods/describePeriod'
import type { Period } from '~~/core/periods/period'
import { KIND_WORDS } from '~~/core/metrics/words'
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
const locale = useLocale()
const write = (value: number, rounding: Rounding) => formatValue(value, metric.value.unit, locale, rounding)
</script>

<template>
  <div class="workings">
    <p>{{ metric.definition }}</p>
    <p class="quiet">{{ KIND_WORDS[metric.kind] }}</p>
    <p v-if="figure.reason">{{ figure.reason }}</p>
    <RangeBar :figure="figure" />
    <div v-if="working?.value" class="calc">
      <WorkingSteps
        :working="working.value"
        :unit="metric.unit"
        :total="figure.exactness === 'exact' ? metric.name : 'Estimate'"
      />
    </div>
    <div v-if="working?.low" class="calc">
      <WorkingSteps :working="working.low" :unit="metric.unit" total="At least" />
    </div>
    <div v-if="working?.high" class="calc">
      <WorkingSteps :working="working.high" :unit="metric.unit" total="At most" />
    </div>
    <p v-if="figure.remark">{{ figure.remark }}</p>
    <p v-if="figure.interval && metric.unit === 'share'">
      Chance alone would carry such a rate between {{ write(figure.interval.low, 'down') }} and
      {{ write(figure.interval.high, 'up') }} (95 %).
    </p>
    <div v-if="compared.change" class="change">
      <p>Against the comparison: <ChangeText :metric="metric.id" :change="compared.change" :shown="figure.value" /></p>
      <p v-for="sentence in explainChange(metric.id, compared.change, locale)" :key="sentence">{{ sentence }}</p>
    </div>
    <p v-for="name in firstFetch ?? []" :key="name">
      The first fetch of {{ name }} is still running; the figure will grow.
    </p>
    <p v-if="figure.coverage.expected > 0 && metric.kind !== 'stock'">
      {{ figure.coverage.present }} of {{ figure.coverage.expected }} profile-days present<template
        v-if="metric.kind === 'ratio'"
        >, with both parts</template
      ><template v-if="missing?.length">; missing:</template><template v-else>.</template>
    </p>
    <ul v-if="missing?.length">
      <li v-for="gap in missing" :key="gap.name">
        {{ gap.name }}: {{ gap.ranges.map(describePeriodShort).join(', ') }}
      </li>
    </ul>
    <p v-if="unconnected?.length">No part of it, since it has no figures yet: {{ unconnected.join('; ') }}.</p>
    <p v-if="withoutConsent?.length">
      Not part of it, since the owner has not given consent: {{ withoutConsent.join('; ') }}.
    </p>
    <p v-if="unreported?.length">Not part of it, since the network does not report it: {{ unreported.join('; ') }}.</p>
  </div>
</template>

<style scoped>
.workings {
  font-size: 0.964rem;
  color: var(--ink2);
}
p {
  margin-bottom: 8px;
}
p:last-child {
  margin-bottom: 0;
}
.change {
  border-top: 1px solid var(--rule);
  padding-top: 7px;
  margin-bottom: 8px;
}
.change p {
  margin-bottom: 4px;
}
.calc {
  border-top: 1px solid var(--rule);
  padding: 7px 0;
}
ul {
  padding-left: 16px;
  margin-bottom: 8px;
}
</style>
