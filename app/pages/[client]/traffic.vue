<script setup lang="ts">
import type { SiteTraffic, Traffic } from '~~/shared/read/traffic'

definePageMeta({ margin: true, scope: true })
useHead({ title: 'Traffic · Zaffer' })
const session = useSession()
const { slug, base } = useClient()
const { address } = useScope()
const refreshAll = useRefresh()
const { data, error, isLoading } = useQuery({
  key: () => ['traffic', slug.value, address.value],
  query: () => api<Traffic>(`${base.value}/traffic`, { query: address.value }),
  placeholderData: (previous) => previous,
})
const edited = ref<SiteTraffic['site'] | 'new'>()
const refresh = () => refreshAll('sites')
const remove = useRemoval(refresh)
function saved() {
  edited.value = undefined
  void refresh()
}
</script>

<template>
  <div>
    <h1 class="hidden-but-read">Who came to the client’s own sites, and from where?</h1>
    <ScopeSentence of="All sites" />
    <div class="row head acts">
      <DownloadMenu v-if="data?.sites.length" kind="traffic" what="The traffic" />
      <Button
        v-if="session.mayWrite"
        class="no-print"
        label="Add a site"
        size="small"
        outlined
        aria-haspopup="dialog"
        @click="edited = 'new'"
      />
    </div>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <p v-else-if="isLoading && !data" class="quiet">Fetching the traffic …</p>
    <p v-else-if="data?.sites.length === 0" class="quiet">
      No site yet. Add the client’s site here, then bring its figures by day, by page and by source under
      <NuxtLink :to="`/${slug}/imports`">Imports</NuxtLink>.
    </p>
    <section v-for="traffic in data?.sites" :key="traffic.site.id" :aria-label="traffic.site.name" class="part">
      <div class="row head">
        <h2 class="heading">{{ traffic.site.name }}</h2>
        <span class="quiet">{{ traffic.site.address }}</span>
        <span v-if="session.mayWrite" class="row right no-print">
          <Button
            label="Change"
            text
            size="small"
            aria-haspopup="dialog"
            :aria-label="`Change ${traffic.site.name}`"
            @click="edited = traffic.site"
          />
          <Button
            label="Remove"
            text
            size="small"
            :aria-label="`Remove ${traffic.site.name}`"
            @click="remove(`${base}/sites/${traffic.site.id}`, `“${traffic.site.name}” was removed.`)"
          />
        </span>
      </div>
      <p v-if="traffic.days.known === 0" class="quiet">
        Nothing is known of these days. Bring a file under
        <NuxtLink :to="`/${slug}/imports`">Imports</NuxtLink>, or choose other days above.
      </p>
      <TrafficText v-else :traffic="traffic" />
    </section>
    <SiteDialog
      v-if="edited"
      :site="edited === 'new' ? undefined : edited"
      @close="edited = undefined"
      @saved="saved"
    />
  </div>
</template>

<style scoped>
.head {
  margin: 10px 0 4px;
}
.acts {
  justify-content: flex-end;
}
.part {
  margin: 12px 0 20px;
}
.right {
  margin-left: auto;
}
</style>
