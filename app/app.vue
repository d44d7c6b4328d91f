<script setup lang="ts">
const route = useRoute()
</script>

<template>
  <PlainShell v-if="route.meta.shell === 'plain'"><NuxtPage /></PlainShell>
  <AppShell v-else><NuxtPage /></AppShell>
</template>
