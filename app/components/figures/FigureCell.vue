<script setup lang="ts">
import type { Figure } from '~~/core/figures/figure'
import { formatFigure } from '~~/core/format/formatFigure'

const props = defineProps<{ figure: Figure; name: string; isSelected?: boolean; isPlain?: boolean }>()
defineEmits<{ select: [] }>()
const text = computed(() => formatFigure(props.figure, useLocale()))
const isPartial = computed(() => (props.figure.coverage.present < props.figure.coverage.expected || props.figure.coverage.fetching !== undefined) && !props.figure.reason)
const why = computed(() => (props.figure.coverage.fetching ? 'first fetch running' : 'some days missing'))
</script>

<template>
  <span v-if="isPlain" :title="text.full">{{ text.text }}{{ text.unit ? `\u202F${text.unit}` : '' }}<template v-if="isPartial">*</template></span>
  <button v-else type="button" class="bare" :class="{ selected: isSelected }" :aria-pressed="isSelected" :aria-label="`${name}: ${text.full}${isPartial ? `, ${why}` : ''}`" :title="isPartial ? `${text.full}; ${why}` : text.full" @click="$emit('select')">{{ text.text }}{{ text.unit ? `\u202F${text.unit}` : '' }}<template v-if="isPartial">*</template></button>
</template>

<style scoped>
button:hover { text-decoration: underline dotted; text-underline-offset: 3px; }
.selected { background: var(--wash); box-shadow: 0 0 0 3px var(--wash); }
</style>
