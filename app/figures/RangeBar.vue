<script setup lang="ts">
import type { Rounding } from '~~/core/format/formatter'
import { formatShort } from '~~/core/format/formatValue'
import type { Figure } from '~~/core/figures/figure'
import { metricById } from '~~/core/metrics/catalogue'

const props = defineProps<{ figure: Figure }>()
const locale = useLocale()
const say = (value: number, rounding: Rounding) =>
  formatShort(value, metricById(props.figure.metric).unit, locale, rounding)
const place = computed(() => {
  const { low = 0, high, value } = props.figure
  return high === undefined || value === undefined || high === low ? undefined : 6 + (84 * (value - low)) / (high - low)
})
</script>

<template>
  <div
    v-if="figure.low !== undefined && figure.high !== undefined"
    class="bar"
    role="img"
    :aria-label="`between ${say(figure.low, 'down')} and ${say(figure.high, 'up')}`"
  >
    <i /><b v-if="place !== undefined" :style="{ left: `${place}%` }" />
    <span class="low">{{ say(figure.low, 'down') }}</span
    ><span class="high">{{ say(figure.high, 'up') }}</span>
  </div>
</template>

<style scoped>
.bar {
  position: relative;
  height: 38px;
  margin: 6px 0 2px;
}
i {
  position: absolute;
  left: 6%;
  width: 84%;
  top: 8px;
  height: 8px;
  background: var(--range);
}
b {
  position: absolute;
  top: 3px;
  width: 2px;
  height: 18px;
  background: var(--zaffer);
}
span {
  position: absolute;
  top: 20px;
  font-size: var(--text-least);
}
.low {
  left: 6%;
}
.high {
  right: 10%;
}
</style>
