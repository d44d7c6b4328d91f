<script setup lang="ts">
import { formatValue } from '~~/core/format/formatValue'
import type { Unit } from '~~/core/metrics/metric'
import type { Working } from '~~/core/figures/working'

const props = defineProps<{ working: Working; unit: Unit; total?: string }>()
const WORDS: Record<Working['operation'], string> = {
  'given': '',
  'sum': 'added',
  'difference': 'the first less the others',
  'quotient': 'the first divided by the second',
  'largest': 'the largest',
  'smallest': 'the smallest',
  'middle': 'halfway between',
  'random duplication': 'U × (1 − (1 − R₁ ÷ U) × (1 − R₂ ÷ U) …)',
}
const say = (value: number, unit: Unit) => formatValue(value, unit, useLocale())
/** The parts of a ratio are counts, whatever the ratio is. */
const partUnit = computed<Unit>(() => (props.working.operation === 'quotient' ? 'count' : props.unit))
</script>

<template>
  <div class="steps">
    <template v-for="operand in working.operands ?? []" :key="operand.label">
      <details v-if="operand.operands?.length">
        <summary>
          <span>{{ operand.label }}</span
          ><span>{{ say(operand.value, partUnit) }}</span>
        </summary>
        <WorkingSteps :working="operand" :unit="partUnit" />
      </details>
      <div v-else class="line">
        <span>{{ operand.label }}</span
        ><span>{{ say(operand.value, partUnit) }}</span>
      </div>
    </template>
    <p v-if="WORDS[working.operation] && (working.operands?.length ?? 0) > 1" class="how">
      {{ WORDS[working.operation] }}
    </p>
    <div v-if="total" class="line total">
      <span>{{ total }}</span
      ><span>{{ say(working.value, unit) }}</span>
    </div>
  </div>
</template>

<style scoped>
.line,
summary {
  display: flex;
  justify-content: space-between;
  gap: 8px;
  padding: 1.5px 0;
}
summary {
  cursor: pointer;
  list-style: none;
}
summary span:first-child::before {
  content: '▸ ';
  color: var(--ink3);
}
details[open] > summary span:first-child::before {
  content: '▾ ';
}
details > .steps {
  border-left: 1px solid var(--rule);
  padding-left: 8px;
  margin: 2px 0 4px;
}
.line span:last-child,
summary span:last-child {
  white-space: nowrap;
}
.how {
  color: var(--ink3);
  font-size: var(--text-least);
  font-style: italic;
}
.total {
  border-top: 1px solid var(--ink);
  font-weight: 650;
  color: var(--ink);
  padding-top: 3px;
  margin-top: 2px;
}
</style>
