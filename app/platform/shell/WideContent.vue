<script setup lang="ts">
defineProps<{ label: string }>()
const box = ref<HTMLElement>()
/** Only what does not fit can be moved, and only then it is a place on the way of the tab key. */
const isWide = ref(false)
const measure = () => (isWide.value = box.value !== undefined && box.value.scrollWidth > box.value.clientWidth + 1)
useResizeObserver(box, measure)
onMounted(measure)
</script>

<template>
  <div
    ref="box"
    class="wide"
    :tabindex="isWide ? 0 : undefined"
    :role="isWide ? 'group' : undefined"
    :aria-label="isWide ? `${label}, can be moved sideways` : undefined"
  >
    <slot />
  </div>
</template>

<style scoped>
.wide {
  position: relative;
  overflow-x: auto;
}
.wide:focus-visible {
  outline-offset: -2px;
}
@media (max-width: 640px) {
  .wide :deep(table) {
    min-width: 38rem;
  }
}
@media print {
  .wide {
    overflow: visible;
  }
}
</style>
