<script setup lang="ts">
defineProps<{ title: string }>()
</script>

<template>
  <header>
    <h1>{{ title }}</h1>
    <div class="row no-print"><slot /></div>
  </header>
</template>

<style scoped>
header {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 16px;
  border-bottom: 2px solid var(--ink);
  padding-bottom: 9px;
  margin-bottom: 12px;
  min-height: 3rem;
}
h1 {
  font: 400 var(--text-scope)/1.35 var(--serif);
}
</style>
