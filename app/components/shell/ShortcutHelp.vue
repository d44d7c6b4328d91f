<script setup lang="ts">
const shell = useShell()
</script>

<template>
  <Dialog v-model:visible="shell.isHelpOpen" modal header="Keys" :style="{ width: '26rem' }">
    <dl>
      <template v-for="[keys, meaning] in SHORTCUTS" :key="keys"><dt>{{ keys }}</dt><dd>{{ meaning }}</dd></template>
    </dl>
  </Dialog>
</template>

<style scoped>
dl { display: grid; grid-template-columns: 5rem 1fr; gap: 6px 12px; }
dt { font-weight: 600; color: var(--zaffer); }
</style>
