<script setup lang="ts">
import { REFERENCE_MEASURES } from '~~/core/industry/reference'
import { describeDay } from '~~/core/periods/describePeriod'
import type { IndustryView, KeptReference } from '~~/shared/compare/industry'

definePageMeta({ margin: true, scope: true })
useHead({ title: 'Industry · Zaffer' })
const { query, push } = usePageAddress()
const session = useSession()
const refreshAll = useRefresh()
const { slug, base } = useClient()
const { address } = useScope()
const { data, error, isLoading } = useQuery({
  key: () => ['industry', slug.value, address.value],
  query: () => api<IndustryView>(`${base.value}/industry`, { query: address.value }),
  placeholderData: (previous) => previous,
})
const download = computed(() => `${base.value}/downloads/industry?${new URLSearchParams(address.value)}`)
/** One measure, or all of them. */
const measure = computed(() => REFERENCE_MEASURES.find(({ id }) => id === query.value.measure)?.id ?? 'all')
const measures = computed(() => [
  { id: 'all', name: 'all measures' },
  ...REFERENCE_MEASURES.filter(({ id }) => data.value?.rows.some((row) => row.measure === id)).map(({ id, name }) => ({
    id,
    name: name.toLowerCase(),
  })),
])
const rows = computed(() =>
  (data.value?.rows ?? []).filter((row) => measure.value === 'all' || row.measure === measure.value),
)
const choose = (id: string) => push({ measure: id === 'all' ? undefined : id })
const edited = ref<KeptReference | 'new'>()
const isFileOpen = ref(false)
const refresh = () => refreshAll('industry')
const remove = useRemoval(refresh)
async function saved() {
  edited.value = undefined
  isFileOpen.value = false
  await refresh()
}
</script>

<template>
  <div>
    <h1 class="hidden-but-read">Where do the profiles stand in their industry?</h1>
    <ScopeSentence />
    <p v-if="error" role="alert">{{ error.message }}</p>
    <p v-else-if="isLoading && !data" class="quiet">Setting the profiles beside their industry …</p>
    <template v-if="data">
      <section aria-labelledby="beside-heading">
        <div class="row head">
          <h2 id="beside-heading" class="heading">Beside the industry</h2>
          <span v-if="data.rows.length" class="row no-print">
            <Select
              :model-value="measure"
              :options="measures"
              option-label="name"
              option-value="id"
              size="small"
              aria-label="Which measure"
              @update:model-value="choose"
            />
            <DownloadMenu kind="industry" :path="download" what="Beside the industry" />
          </span>
        </div>
        <p v-if="data.references.length === 0 && data.rows.length === 0" class="quiet">
          No figure of an industry yet. Write one down below, or bring a file: each profile is then set beside the
          figure that is most about accounts such as it.
        </p>
        <p v-else-if="data.rows.length === 0" class="quiet">
          None of the figures below is about accounts such as these profiles, or nothing of their measures is known in
          these days.
        </p>
        <template v-else>
          <IndustryTable :rows="rows" />
          <p class="quiet small">
            Each profile stands beside the figure of its network and size, else of any; only the client’s own profiles
            do. Posts count once they are a week old, so up to {{ describeDay(data.judgedTo) }}. How a source has
            counted is its own affair: look whether it means the same.
          </p>
        </template>
      </section>
      <section aria-labelledby="references-heading">
        <div class="row head">
          <h2 id="references-heading" class="heading">Figures of the industry</h2>
          <span class="row no-print">
            <a :href="`${base}/references/file`" download class="small">Download</a>
            <template v-if="session.mayWrite"
              ><Button
                label="Figures from a file"
                size="small"
                outlined
                aria-haspopup="dialog"
                @click="isFileOpen = true" /><Button
                label="Write a figure down"
                size="small"
                aria-haspopup="dialog"
                @click="edited = 'new'"
            /></template>
          </span>
        </div>
        <ReferenceList
          v-if="data.references.length"
          :references="data.references"
          @change="edited = $event"
          @remove="remove(`${base}/references/${$event.id}`, 'The figure was removed.')"
        />
        <p v-else class="quiet">None.</p>
      </section>
    </template>
    <LazyReferenceDialog
      v-if="edited"
      :reference="edited === 'new' ? undefined : edited"
      @close="edited = undefined"
      @saved="saved"
    />
    <LazyReferencesFileDialog v-if="isFileOpen" @close="isFileOpen = false" @saved="saved" />
  </div>
</template>

<style scoped>
section {
  margin: 12px 0 20px;
}
.head {
  justify-content: space-between;
}
.small {
  font-size: var(--text-small);
}
</style>
