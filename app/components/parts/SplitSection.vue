<script setup lang="ts">
import { splitById } from '~~/core/splits/splits'
import type { SplitView } from '~~/server/work/parts'

const route = useRoute()
const router = useRouter()
const { slug, base } = useClient()
const { address } = useScope()
const { data, error } = useQuery({ key: () => ['parts', slug.value, address.value], query: () => api<SplitView[]>(`${base.value}/parts`, { query: address.value }) })
const choices = computed(() => (data.value ?? []).map(({ split }) => ({ id: split, name: splitById(split).name })))
const shown = computed(() => data.value?.find(({ split }) => split === route.query.split) ?? data.value?.[0])
const choose = (split: string) => router.push({ query: { ...route.query, split: split === data.value?.[0]?.split ? undefined : split } })
</script>

<template>
  <section v-if="error || data?.length" aria-labelledby="parts-heading">
    <div class="head">
      <h2 id="parts-heading" class="heading">By its parts</h2>
      <TakeAway v-if="shown" kind="parts" :option="shown.split" what="These parts" />
      <Select v-if="shown" :model-value="shown.split" :options="choices" option-label="name" option-value="id" aria-label="What is split" class="no-print" @update:model-value="choose" />
    </div>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <SplitText v-if="shown" :view="shown" />
  </section>
</template>

<style scoped>
section { margin-top: 22px; }
.head { display: flex; gap: 14px; align-items: center; margin-bottom: 2px; }
.head .take { margin-left: auto; }
</style>
