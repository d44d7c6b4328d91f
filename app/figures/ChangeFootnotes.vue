<script setup lang="ts">
import { restsOn } from '~~/core/format/formatChange'
import { metricById } from '~~/core/metrics/catalogue'
import type { ComparedFigure } from '~~/core/rollup/compareFigures'

/**
 * What changes rest on where that is less than the value beside them: on paper nothing can be selected, so it is said
 * below.
 */
const props = defineProps<{ figures: readonly { of?: string; compared: ComparedFigure }[] }>()
const locale = useLocale()
const notes = computed(() =>
  props.figures.flatMap(({ of, compared: { figure, change } }) =>
    change && !change.reason && (change.basis !== undefined || change.perDay !== undefined)
      ? [
          `${metricById(figure.metric).name}${of ? ` of ${of}` : ''}: ${restsOn(figure.metric, change, locale).join(' ')}`,
        ]
      : [],
  ),
)
</script>

<template>
  <ul v-if="notes.length" class="notes">
    <li v-for="note in notes" :key="note"><span aria-hidden="true">*</span> {{ note }}</li>
  </ul>
</template>

<style scoped>
.notes {
  list-style: none;
  font-size: var(--text-least);
  color: var(--ink2);
  margin-top: 4px;
}
</style>
