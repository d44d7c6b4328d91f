<script setup lang="ts">
import { metricById } from '~~/core/metrics/catalogue'
import type { Why } from '~~/shared/read/why'

const props = defineProps<{ metric: string }>()
const { slug, base } = useClient()
const { address } = useScope()
const asked = computed(() => ({ ...address.value, metric: props.metric }))
const { data, error } = useQuery({
  key: () => ['why', slug.value, asked.value],
  query: () => api<Why>(`${base.value}/why`, { query: asked.value }),
})
</script>

<template>
  <section aria-labelledby="why-heading" class="why">
    <div class="head">
      <h2 id="why-heading" class="heading">Why {{ metricById(metric).name.toLowerCase() }} changed</h2>
      <DownloadMenu v-if="data?.explanations.length" kind="why" :metrics="[metric]" what="The reasons" />
    </div>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <WhyText v-if="data" :why="data" />
  </section>
</template>

<style scoped>
.why {
  margin-top: 22px;
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
}
</style>
