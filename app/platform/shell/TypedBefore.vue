<script setup lang="ts">
/** Says that a form holds what was typed before and never sent, and lets it go. */
const props = defineProps<{ isBack: boolean }>()
const emit = defineEmits<{ anew: [] }>()
</script>

<template>
  <p v-if="props.isBack" class="quiet" role="status">
    What you had typed is back. <button type="button" class="bare link" @click="emit('anew')">Begin anew</button>
  </p>
</template>

<style scoped>
.link {
  color: var(--zaffer);
  text-decoration: underline;
  padding: 3px 0;
}
</style>
