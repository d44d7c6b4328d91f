<script setup lang="ts">
import { formatChange } from '~~/core/format/formatChange'
import { formatShare, oneDecimal } from '~~/core/format/numbers'
import { metricById } from '~~/core/metrics/catalogue'
import type { Subject } from '~~/shared/read/subject'

const props = defineProps<{ subject: Subject }>()
const locale = useLocale()
const name = computed(() => metricById(props.subject.metric).name)
const moved = (relative: number) =>
  Math.abs(relative) < 0.0005
    ? 'stayed as they were'
    : `${relative > 0 ? 'rose' : 'fell'} by ${formatShare(Math.abs(relative), locale)}`
const own = computed(() => props.subject.own?.relative)
const rest = computed(() =>
  own.value === undefined || !props.subject.networks ? undefined : own.value - props.subject.networks.relative,
)
const points = (value: number) =>
  `${value > 0 ? '+' : value < 0 ? '−' : ''}${oneDecimal(Math.abs(value) * 100, locale)}\u202Fpt`
const field = computed(() =>
  props.subject.field ? formatChange(props.subject.metric, props.subject.field.change, locale) : undefined,
)
</script>

<template>
  <div class="subject">
    <p v-if="subject.reason" class="quiet">{{ subject.reason }}</p>
    <p v-if="subject.networks">
      <template v-if="own !== undefined"
        >Your {{ name.toLowerCase() }} {{ own === 0 ? 'did not change' : moved(own) }}.
      </template>
      Had they moved as their whole networks did, they would have
      {{
        moved(subject.networks.relative).replace('rose', 'risen').replace('fell', 'fallen').replace('stayed', 'stayed')
      }}<template v-if="rest !== undefined">: {{ points(rest) }} is your own</template>.
      <span class="quiet"
        >({{
          subject.networks.parts.map((part) => `${part.name} ${moved(part.relative).replace(' by ', ' ')}`).join(', ')
        }}<template v-if="subject.networks.untold.length">; {{ subject.networks.untold.join(', ') }}: not told</template
        >)</span
      >
    </p>
    <p v-if="subject.field && field">
      The field, your profiles and {{ subject.field.rivals }} of {{ subject.field.competitors.join(', ') }}, by what
      anybody can see: <span :class="field.judgement">{{ field.mark }} {{ field.text }}</span
      ><template v-if="subject.field.change.basis">, {{ subject.field.change.basis }}</template
      >.
    </p>
  </div>
</template>

<style scoped>
.subject {
  border-left: 2px solid var(--rule2);
  padding-left: 12px;
  margin: 4px 0 0;
}
p + p {
  margin-top: 3px;
}
</style>
