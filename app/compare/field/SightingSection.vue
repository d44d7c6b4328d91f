<script setup lang="ts">
/** The entries of what rivals did: the open ones, or all that are kept, as the address has it. */
import type { SightingsView } from '~~/shared/compare/sightings'

const { query, push } = usePageAddress()
const { slug, base } = useClient()
const { address } = useScope()
const isAll = computed(() => query.value.sightings === 'all')
const { data, error } = useQuery({
  key: () => ['sightings', slug.value, address.value, isAll.value],
  query: () =>
    api<SightingsView>(`${base.value}/sightings`, {
      query: { ...address.value, ...(isAll.value && { sightings: 'all' }) },
    }),
  placeholderData: (previous) => previous,
})
const download = computed(() => `${base.value}/downloads/sightings?${new URLSearchParams(address.value)}`)
const toggle = () => push({ sightings: isAll.value ? undefined : 'all' }, '')
</script>

<template>
  <section id="seen" aria-labelledby="seen-heading" class="part">
    <div class="head">
      <h2 id="seen-heading" class="heading">
        Not as usual <span class="quiet beside">what rivals did, entered every hour</span>
      </h2>
      <Button
        v-if="data && data.all > data.open"
        :label="isAll ? 'Only what is open' : `All ${data.all} entries`"
        size="small"
        text
        class="no-print"
        @click="toggle"
      />
      <DownloadMenu v-if="data?.all" kind="sightings" :path="download" what="What rivals did" />
    </div>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <SightingList v-else-if="data" :view="data" />
  </section>
</template>

<style scoped>
.part {
  margin-top: 16px;
}
.head {
  display: flex;
  gap: 8px;
  align-items: baseline;
}
.heading {
  flex: 1;
}
.beside {
  font: 400 0.929rem var(--sans);
  margin-left: 8px;
}
</style>
