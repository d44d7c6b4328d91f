<script setup lang="ts">
import type { FilledFigures } from '~~/shared/read/figuresBlock'

defineProps<{ block: FilledFigures; isPlain?: boolean }>()
const emit = defineEmits<{ select: [compared: FilledFigures['figures'][number]] }>()
</script>

<template>
  <div>
    <div class="strip" :style="{ '--columns': Math.min(5, Math.max(1, block.figures.length)) }">
      <FigureButton
        v-for="compared in block.figures"
        :key="compared.figure.metric"
        :compared="compared"
        :is-plain="isPlain"
        @select="emit('select', compared)"
      />
    </div>
    <ChangeFootnotes :figures="block.figures.map((compared) => ({ compared }))" />
  </div>
</template>

<style scoped>
.strip {
  display: grid;
  grid-template-columns: repeat(var(--columns), minmax(0, 1fr));
  border-top: 1px solid var(--rule2);
  border-bottom: 1px solid var(--rule2);
}
@media (max-width: 640px) {
  .strip {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
  .strip > :nth-child(odd) {
    border-left: 0;
    padding-left: 2px;
  }
  .strip > :nth-child(n + 3) {
    border-top: 1px solid var(--rule);
  }
}
@media (max-width: 420px) {
  .strip {
    grid-template-columns: minmax(0, 1fr);
  }
  .strip > * {
    border-left: 0;
    padding-left: 2px;
  }
  .strip > :nth-child(n + 2) {
    border-top: 1px solid var(--rule);
  }
}
</style>
