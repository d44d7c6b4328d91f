<script setup lang="ts">
/** A tag by its name, with its colour beside it. */
defineProps<{ name: string; colour: number }>()
</script>

<template>
  <span class="tag"
    ><i :style="{ background: `var(--series-${colour})` }" aria-hidden="true" /><span>{{ name }}</span></span
  >
</template>

<style scoped>
.tag {
  display: inline-flex;
  align-items: baseline;
  gap: 4px;
  white-space: nowrap;
}
i {
  width: 8px;
  height: 8px;
  border-radius: 1px;
  align-self: center;
}
</style>
