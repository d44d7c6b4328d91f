<script setup lang="ts">
/** The field week by week: what is followed, and in which form, as the address has it. */
import { LINE_FORMS } from '~~/core/field/memberLines'
import { metricById } from '~~/core/metrics/catalogue'
import { LINE_METRICS, type FieldLines } from '~~/shared/compare/fieldLines'
import { useFieldAddress } from './useFieldAddress'

const route = useRoute()
const { slug, base } = useClient()
const { address } = useScope()
const { asked, show } = useFieldAddress()
const chosen = computed(() => ({
  line: String(route.query.line ?? 'followers'),
  as: String(route.query.as ?? 'level'),
}))
const query = computed(() => ({ ...address.value, ...asked.value, ...chosen.value }))
const { data, error, isLoading } = useQuery({
  key: () => ['field-lines', slug.value, query.value],
  query: () => api<FieldLines>(`${base.value}/field/lines`, { query: query.value }),
  placeholderData: (previous) => previous,
})
const metrics = LINE_METRICS.map((id) => ({ id, name: metricById(id).name.toLowerCase() }))
const download = computed(() => `${base.value}/downloads/fieldLines?${new URLSearchParams(query.value)}`)
</script>

<template>
  <section aria-labelledby="weeks-heading" class="part">
    <div class="row head">
      <h2 id="weeks-heading" class="heading">Week by week</h2>
      <span class="row no-print">
        <Select
          :model-value="chosen.line"
          :options="metrics"
          option-label="name"
          option-value="id"
          size="small"
          aria-label="What is followed"
          @update:model-value="(line: string) => show({ line: line === 'followers' ? '' : line })"
        />
        <Select
          :model-value="chosen.as"
          :options="[...LINE_FORMS]"
          option-label="name"
          option-value="id"
          size="small"
          aria-label="In which form"
          @update:model-value="(as: string) => show({ as: as === 'level' ? '' : as })"
        />
        <DownloadMenu :path="download" block="fieldLines" what="The field week by week" />
      </span>
    </div>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <p v-else-if="isLoading && !data" class="quiet">Adding up the weeks …</p>
    <FieldLinesChart v-else-if="data" :lines="data" />
  </section>
</template>

<style scoped>
.part {
  margin-top: 16px;
}
.head {
  justify-content: space-between;
}
</style>
