<script setup lang="ts">
import type { Figure } from '~~/core/figures/figure'
import { formatFigure } from '~~/core/format/formatFigure'

const props = defineProps<{ figure: Figure }>()
const text = computed(() => formatFigure(props.figure, useLocale()))
</script>

<template>
  <span :title="text.full"
    ><span aria-hidden="true"
      >{{ text.text }}<small v-if="text.unit">{{ text.unit }}</small></span
    ><span class="hidden-but-read">{{ text.full }}</span></span
  >
</template>

<style scoped>
small {
  font-size: 0.5em;
  color: var(--ink2);
  margin-left: 3px;
  letter-spacing: 0;
}
</style>
