<script setup lang="ts">
import type { PlacesAllowance, PlacesPage } from '~~/shared/read/places'

definePageMeta({ margin: true, scope: true })
useHead({ title: 'Places · Zaffer' })
const session = useSession()
const router = useRouter()
const refreshAll = useRefresh()
const { slug, base } = useClient()
const { address } = useScope()
const route = useRoute()
/** The address with the group that is looked at. */
const asked = computed(() => ({ ...address.value, ...(route.query.group && { group: String(route.query.group) }) }))
const { data, error, isLoading } = useQuery({
  key: () => ['places', slug.value, asked.value],
  query: () => api<PlacesPage>(`${base.value}/places`, { query: asked.value }),
  placeholderData: (previous) => previous,
})
const { data: allowance } = useQuery({
  key: () => ['places', slug.value, 'allowance'],
  query: () => api<PlacesAllowance>(`${base.value}/places/allowance`),
  enabled: () => session.mayWrite,
})
const isUsedUp = computed(() => !!allowance.value?.limit && allowance.value.used >= allowance.value.limit)
const listings = computed(() =>
  (data.value?.places ?? []).flatMap(({ isActive, listing, values }) =>
    isActive && listing !== null && Object.keys(values).length > 0 ? [listing] : [],
  ),
)
const isAdded = ref(false)
const isBrought = ref(false)
const isMany = ref(false)
const isPeople = ref(false)
const download = computed(
  () => `${base.value}/downloads/places?${new URLSearchParams(asked.value as Record<string, string>)}`,
)
const refresh = () => refreshAll('places')
async function saved(id?: number) {
  isAdded.value = isBrought.value = isMany.value = false
  await refresh()
  if (id) await router.push({ path: `/${slug.value}/places/${id}`, query: address.value })
}
const pins = computed(() =>
  (data.value?.places ?? []).flatMap(({ id, name, lat, lon, isActive }, index) =>
    isActive && lat !== null && lon !== null ? [{ id, number: index + 1, name, lat, lon }] : [],
  ),
)
const off = computed(() => data.value?.places.filter(({ isActive }) => !isActive) ?? [])
const files = computed(() =>
  [
    ['csv', 'CSV'],
    ['geojson', 'GeoJSON'],
    ['jsonld', 'JSON-LD'],
  ].map(([format, name]) => ({ name, href: `${base.value}/places/file?format=${format}` })),
)
</script>

<template>
  <div>
    <h1 class="hidden-but-read">How are the client’s places found, and what do people do then?</h1>
    <ScopeSentence />
    <div class="row acts no-print">
      <PlaceChoice
        v-if="data && (data.groups.length || (session.mayWrite && data.all.length))"
        :page="data"
        @changed="refresh"
      />
      <DownloadMenu v-if="data?.places.length" kind="places" :path="download" what="The places" />
      <template v-if="session.mayWrite">
        <Button
          v-if="data?.all.length && session.session?.person.role === 'owner'"
          label="Who sees which"
          size="small"
          outlined
          aria-haspopup="dialog"
          @click="isPeople = true"
        />
        <Button
          v-if="data && data.all.length > 1"
          label="Change several"
          size="small"
          outlined
          aria-haspopup="dialog"
          @click="isMany = true"
        />
        <Button label="From a file" size="small" outlined aria-haspopup="dialog" @click="isBrought = true" />
        <Button label="Add a place" size="small" outlined aria-haspopup="dialog" @click="isAdded = true" />
      </template>
    </div>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <p v-else-if="isLoading && !data" class="quiet">Fetching the places …</p>
    <p v-else-if="data?.places.length === 0 && asked.group" class="quiet">This group has no place any more.</p>
    <p v-else-if="data?.places.length === 0" class="quiet">
      No place yet. Add one with its address, or bring several from a file; then say which profile is its listing.
    </p>
    <template v-else-if="data">
      <section aria-labelledby="places-heading">
        <h2 id="places-heading" class="heading">Found, looked at, acted on</h2>
        <PlacesTogether v-if="data.together" :together="data.together" :listings="listings" />
        <PlacesTable :view="data" />
      </section>
      <section v-if="pins.length" class="no-print" aria-labelledby="where-heading">
        <h2 id="where-heading" class="heading">Where they are</h2>
        <PlacesMap :pins="pins" label="Map of the places, numbered as in the table" />
      </section>
      <p v-if="off.length" class="quiet">
        Switched off:
        <template v-for="({ id, name }, index) in off" :key="id"
          >{{ index ? ', ' : ''
          }}<NuxtLink :to="{ path: `/${slug}/places/${id}`, query: address }">{{ name }}</NuxtLink></template
        >.
      </p>
      <p v-if="allowance && allowance.limit !== null" class="no-print" :class="isUsedUp ? 'worse' : 'quiet'">
        {{ allowance.used }} of the agency’s {{ allowance.limit }} places are switched on{{
          isUsedUp ? ': switch one off before adding another' : ''
        }}.
      </p>
      <p class="quiet no-print">
        The master records as
        <template v-for="({ name, href }, index) in files" :key="name"
          >{{ index ? ', ' : '' }}<a :href="href" download>{{ name }}</a></template
        >.
      </p>
    </template>
    <PlaceDialog v-if="isAdded" @close="isAdded = false" @saved="saved" />
    <ManyPlacesDialog v-if="isMany && data" :page="data" @close="isMany = false" @saved="saved()" />
    <PlacePeopleDialog v-if="isPeople && data" :page="data" @close="isPeople = false" />
    <PlacesFileDialog v-if="isBrought" @close="isBrought = false" @saved="saved()" />
  </div>
</template>

<style scoped>
.acts {
  justify-content: flex-end;
  margin: 10px 0 4px;
}
section {
  margin-bottom: 16px;
}
</style>
