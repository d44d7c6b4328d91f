<script setup lang="ts">
import { coverageText, formatChange } from '~~/core/format/formatChange'
import { formatFigure } from '~~/core/format/formatFigure'
import type { ComparedFigure } from '~~/core/rollup/compareFigures'

const props = defineProps<{ compared: ComparedFigure; name: string; isSelected?: boolean; isPlain?: boolean }>()
defineEmits<{ select: [] }>()
const locale = useLocale()
const figure = computed(() => props.compared.figure)
const text = computed(() => formatFigure(figure.value, locale))
const missing = computed(() =>
  figure.value.reason
    ? ''
    : figure.value.coverage.fetching
      ? 'first fetch running'
      : coverageText(figure.value.coverage, locale),
)
/** How it has changed, with both numbers that the change rests on. */
const changed = computed(() => {
  const { change } = props.compared
  if (!change || change.reason || figure.value.reason) return ''
  const { mark, text: words } = formatChange(figure.value.metric, change, locale, figure.value.value)
  return `${mark === '▲' ? 'up ' : mark === '▼' ? 'down ' : ''}${words}${change.basis ? `, ${change.basis}` : ''}`
})
const full = computed(() =>
  [text.value.full, missing.value, figure.value.remark, changed.value].filter(Boolean).join('; '),
)
</script>

<template>
  <span v-if="isPlain" :title="full"
    >{{ text.text }}{{ text.unit ? `\u202F${text.unit}` : '' }}<template v-if="missing">*</template></span
  >
  <span v-else class="cell"
    ><button
      type="button"
      class="bare"
      :class="{ selected: isSelected }"
      :aria-pressed="isSelected"
      :aria-label="`${name}: ${full}`"
      @click="$emit('select')"
    >
      {{ text.text }}{{ text.unit ? `\u202F${text.unit}` : '' }}<template v-if="missing">*</template></button
    ><span class="more" aria-hidden="true">{{ full }}</span></span
  >
</template>

<style scoped>
.cell {
  position: relative;
}
button:hover {
  text-decoration: underline dotted;
  text-underline-offset: 3px;
}
.selected {
  background: var(--wash);
  box-shadow: 0 0 0 3px var(--wash);
}
.more {
  display: none;
  position: absolute;
  right: 0;
  top: 100%;
  z-index: 3;
  width: max-content;
  max-width: 22rem;
  padding: 4px 8px;
  background: var(--paper);
  border: 1px solid var(--rule2);
  color: var(--ink);
  font-size: var(--text-small);
  text-align: left;
  white-space: normal;
  pointer-events: none;
}
button:hover + .more,
button:focus-visible + .more {
  display: block;
}
</style>
