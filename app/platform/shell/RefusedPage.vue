<script setup lang="ts">
defineProps<{
  heading: string
  sentence: string
  /** What can be seen instead, and what it is called. */ to?: string
  where?: string
}>()
useHead({ title: 'Not for you · Zaffer' })
</script>

<template>
  <div>
    <PageHead :title="heading" />
    <p role="alert">{{ sentence }}</p>
    <p>
      <NuxtLink v-if="to" :to="to">{{ where }}</NuxtLink
      ><NuxtLink v-else to="/">To your clients</NuxtLink>
    </p>
  </div>
</template>
