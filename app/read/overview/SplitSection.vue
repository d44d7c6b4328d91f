<script setup lang="ts">
import { splitById } from '~~/core/splits/splits'
import type { SplitChoice } from '~~/shared/read/parts'

const route = useRoute()
const router = useRouter()
const { slug, base } = useClient()
const { address } = useScope()
const asked = computed(() => ({
  ...address.value,
  ...(typeof route.query.split === 'string' && { split: route.query.split }),
}))
const { data, error } = useQuery({
  key: () => ['parts', slug.value, asked.value],
  query: () => api<SplitChoice>(`${base.value}/parts`, { query: asked.value }),
  placeholderData: (previous) => previous,
})
const choices = computed(() => (data.value?.splits ?? []).map((id) => ({ id, name: splitById(id).name })))
const shown = computed(() => data.value?.view)
const choose = (split: string) =>
  router.push({ query: { ...route.query, split: split === data.value?.splits[0] ? undefined : split } })
</script>

<template>
  <section v-if="error || data?.view" aria-labelledby="parts-heading">
    <div class="head">
      <h2 id="parts-heading" class="heading">By its parts</h2>
      <DownloadMenu v-if="shown" kind="parts" :option="shown.split" what="These parts" />
      <Select
        v-if="shown"
        :model-value="shown.split"
        :options="choices"
        option-label="name"
        option-value="id"
        aria-label="What is split"
        class="no-print"
        @update:model-value="choose"
      />
    </div>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <SplitText v-if="shown" :view="shown" />
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
.head .take {
  margin-left: auto;
}
</style>
