<script setup lang="ts">
import type { UnusualFinding } from '~~/server/work/unusual'

const props = defineProps<{ metric: string }>()
useArrival('unusual')
const { slug, base } = useClient()
const { address } = useScope()
const asked = computed(() => ({ ...address.value, metric: props.metric }))
const { data, error } = useQuery({ key: () => ['unusual', slug.value, asked.value], query: () => api<UnusualFinding[]>(`${base.value}/unusual`, { query: asked.value }) })
</script>

<template>
  <section id="unusual" tabindex="-1" aria-labelledby="unusual-heading" class="unusual">
    <div class="head"><h2 id="unusual-heading" class="heading">Unusual days</h2><DownloadMenu v-if="data?.length" kind="unusual" :metrics="[metric]" what="The unusual days" /></div>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <UnusualText v-if="data" :metric="metric" :days="data" />
  </section>
</template>

<style scoped>
.unusual { margin-top: 22px; outline: none; }
.head { display: flex; justify-content: space-between; align-items: baseline; }
</style>
