<script setup lang="ts">
import { breakdownById } from '~~/core/breakdowns/breakdowns'
import type { BreakdownChoice } from '~~/shared/read/breakdown'

const { query, push } = usePageAddress()
const { slug, base } = useClient()
const { address } = useScope()
const asked = computed(() => ({
  ...address.value,
  ...(typeof query.value.breakdown === 'string' && { breakdown: query.value.breakdown }),
}))
const { data, error } = useQuery({
  key: () => ['breakdown', slug.value, asked.value],
  query: () => api<BreakdownChoice>(`${base.value}/breakdown`, { query: asked.value }),
  placeholderData: (previous) => previous,
})
const choices = computed(() => (data.value?.breakdowns ?? []).map((id) => ({ id, name: breakdownById(id).name })))
const shown = computed(() => data.value?.view)
const choose = (breakdown: string) =>
  push({ breakdown: breakdown === data.value?.breakdowns[0] ? undefined : breakdown })
</script>

<template>
  <section v-if="error || data?.view" aria-labelledby="breakdown-heading">
    <div class="head">
      <h2 id="breakdown-heading" class="heading">Breakdown</h2>
      <DownloadMenu v-if="shown" kind="breakdown" :option="shown.breakdown" what="This breakdown" />
      <Select
        v-if="shown"
        :model-value="shown.breakdown"
        :options="choices"
        option-label="name"
        option-value="id"
        aria-label="Which breakdown"
        class="no-print"
        @update:model-value="choose"
      />
    </div>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <BreakdownText v-if="shown" :view="shown" />
  </section>
</template>

<style scoped>
section {
  margin-top: 22px;
}
.head {
  display: flex;
  gap: 14px;
  align-items: center;
  margin-bottom: 2px;
}
.head .downloads {
  margin-left: auto;
}
</style>
