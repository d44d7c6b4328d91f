<script setup lang="ts">
defineProps<{ heading: string; sentence: string; slug?: string }>()
useHead({ title: 'Not for you · Zaffer' })
</script>

<template>
  <div>
    <PageHead :title="heading" />
    <p role="alert">{{ sentence }}</p>
    <p>
      <NuxtLink v-if="slug" :to="`/${slug}/editions`">To the editions</NuxtLink
      ><NuxtLink v-else to="/">To your clients</NuxtLink>
    </p>
  </div>
</template>
