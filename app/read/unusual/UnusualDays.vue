<script setup lang="ts">
import { metricById } from '~~/core/metrics/catalogue'
import type { OddDays, UnusualFinding } from '~~/shared/read/unusual'

const props = defineProps<{ metric: string }>()
useArrival('unusual')
const { query, push: set } = usePageAddress()
const { slug, base } = useClient()
const { address } = useScope()
const isEvery = computed(() => query.value.odd === 'all')
const isOpenOnly = computed(() => query.value.reasons === 'none')
const asked = computed(() => ({ ...address.value, metric: isEvery.value ? 'all' : props.metric }))
const { data, error } = useQuery({
  key: () => ['unusual', slug.value, asked.value],
  query: () => api<(UnusualFinding | OddDays)[]>(`${base.value}/unusual`, { query: asked.value }),
})
const shown = computed(() => (data.value ?? []).filter(({ explainedBy }) => !isOpenOnly.value || !explainedBy))
const MEASURES = computed(() => [
  { value: 'one', name: `in ${metricById(props.metric).name.toLowerCase()}` },
  { value: 'all', name: 'in every metric' },
])
</script>

<template>
  <section id="unusual" tabindex="-1" aria-labelledby="unusual-heading" class="unusual">
    <div class="head">
      <h2 id="unusual-heading" class="heading">Unusual days</h2>
      <span class="row no-print">
        <Checkbox
          :model-value="isOpenOnly"
          binary
          input-id="odd-open"
          @update:model-value="(only) => set({ reasons: only ? 'none' : undefined })"
        /><label for="odd-open">only those without a reason</label>
        <Select
          :model-value="isEvery ? 'all' : 'one'"
          :options="MEASURES"
          option-label="name"
          option-value="value"
          size="small"
          aria-label="In which metrics"
          @update:model-value="(value) => set({ odd: value === 'all' ? 'all' : undefined })"
        />
        <DownloadMenu v-if="data?.length && !isEvery" kind="unusual" :metrics="[metric]" what="The unusual days" />
      </span>
    </div>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <p v-else-if="data && isOpenOnly && data.length > 0 && shown.length === 0" class="quiet">
      Every unusual day has its reason.
    </p>
    <OddDaysList v-else-if="data && isEvery" :causes="shown as OddDays[]" />
    <UnusualText v-else-if="data" :metric="metric" :days="shown as UnusualFinding[]" />
  </section>
</template>

<style scoped>
.unusual {
  margin-top: 22px;
  outline: none;
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 14px;
  flex-wrap: wrap;
}
</style>
