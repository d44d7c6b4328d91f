<script setup lang="ts">
import type { SharedEdition } from '~~/shared/report/editions'

definePageMeta({ shell: 'plain' })
const route = useRoute()
const address = `/api/shared/${String(route.params.token)}`
const isPrint = computed(() => route.query.print === '1')
const { data, error } = useQuery({
  key: () => ['shared', String(route.params.token)],
  query: () => api<{ edition: SharedEdition }>(address),
})
useHead({ title: () => data.value?.edition.title ?? 'Report' })
if (isPrint.value) useHead({ htmlAttrs: (await import('~/theme/printed')).PRINTED })
</script>

<template>
  <div>
    <p v-if="data && !isPrint" class="pdf no-print">
      <a v-if="data.edition.hasPdf" :href="`${address}/pdf`" target="_blank">PDF</a>
    </p>
    <h1 v-if="error" class="heading">This page is not there</h1>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <ReportView v-if="data" :edition="data.edition" />
  </div>
</template>

<style scoped>
.pdf {
  text-align: right;
}
</style>
