<script setup lang="ts">
import { coverageText } from '~~/core/format/formatChange'
import { formatFigure } from '~~/core/format/formatFigure'
import type { ComparedFigure } from '~~/core/rollup/compareFigures'

const props = defineProps<{ compared: ComparedFigure; name: string }>()
const figure = computed(() => props.compared.figure)
const text = computed(() => formatFigure(figure.value, useLocale()))
const missing = computed(() => (figure.value.reason ? '' : coverageText(figure.value.coverage, useLocale())))
const isRange = computed(
  () => (figure.value.value === undefined && figure.value.low !== undefined) || text.value.text.length > 8,
)
</script>

<template>
  <span class="label">{{ name }}</span>
  <span class="number" :class="{ range: isRange }"><FigureValue :figure="figure" /></span>
  <span v-if="figure.reason" class="small">{{ figure.reason }}</span>
  <span v-else-if="text.range" class="small"
    >{{ text.range
    }}<template v-if="compared.change">
      · <ChangeText :metric="figure.metric" :change="compared.change" :shown="figure.value" short /></template
  ></span>
  <span v-else-if="compared.change" class="small"
    ><ChangeText :metric="figure.metric" :change="compared.change" :shown="figure.value"
  /></span>
  <span v-if="figure.coverage.fetching" class="small part">first fetch running, will grow</span>
  <span v-else-if="missing" class="small part">{{ missing }}</span>
  <span v-if="figure.remark" class="small">{{ figure.remark }}</span>
</template>

<style scoped>
.label {
  font-size: var(--text-label);
  color: var(--ink2);
}
.number {
  font: 500 var(--text-figure)/1.15 var(--serif);
  letter-spacing: -0.015em;
  white-space: nowrap;
}
.range {
  font-size: var(--text-scope);
  line-height: 1.7;
}
.small {
  font-size: var(--text-small);
  color: var(--ink2);
}
.part {
  color: var(--ink3);
}
</style>
