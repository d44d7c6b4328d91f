<script setup lang="ts">
import { metricById } from '~~/core/metrics/catalogue'
import type { Workings } from '~~/shared/read/workings'

const props = defineProps<{ metric: string; who?: string }>()
const { slug, base } = useClient()
const { address } = useScope()
const asked = computed(() => ({
  ...address.value,
  metric: props.metric,
  ...(props.who !== undefined && { who: props.who }),
}))
const { data, error, isLoading } = useQuery({
  key: () => ['workings', slug.value, asked.value],
  query: () => api<Workings>(`${base.value}/workings`, { query: asked.value }),
})
</script>

<template>
  <section aria-live="polite">
    <h2>Workings: {{ metricById(metric).name }}</h2>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <p v-else-if="isLoading && !data" class="quiet">Working it out …</p>
    <WorkingsText
      v-if="data"
      :compared="data"
      :missing="data.missing"
      :unreported="data.unreported"
      :first-fetch="data.firstFetch"
      :unconnected="data.unconnected"
      :without-consent="data.withoutConsent"
    />
  </section>
</template>
