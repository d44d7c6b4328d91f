<script setup lang="ts">
import type { Subject } from '~~/shared/read/subject'

const props = defineProps<{ metric: string }>()
const { slug, base } = useClient()
const { address } = useScope()
const asked = computed(() => ({ ...address.value, metric: props.metric }))
const { data, error } = useQuery({
  key: () => ['subject', slug.value, asked.value],
  query: () => api<Subject>(`${base.value}/subject`, { query: asked.value }),
  placeholderData: (previous) => previous,
})
</script>

<template>
  <section aria-label="Beside everybody else" class="beside">
    <p v-if="error" role="alert">{{ error.message }}</p>
    <SubjectText v-if="data" :subject="data" />
    <DownloadMenu v-if="data && !data.reason" kind="subject" :metrics="[metric]" what="The subject" />
  </section>
</template>

<style scoped>
.beside {
  min-height: 3.4em;
  display: flex;
  gap: 14px;
  align-items: flex-start;
}
.beside > :first-child {
  flex: 1;
}
</style>
