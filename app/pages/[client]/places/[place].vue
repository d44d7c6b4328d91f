<script setup lang="ts">
import { PLACE_TABLES } from '~~/shared/read/placeBlock'
import type { PlaceInsights } from '~~/shared/read/places'

definePageMeta({ margin: true, scope: true })
useHead({ title: 'Place · Zaffer' })
const route = useRoute()
const router = useRouter()
const session = useSession()
const say = useSay()
const refreshAll = useRefresh()
const { slug, base } = useClient()
const { address, description } = useScope()
const timeZone = computed(() => description.data.value?.client.timeZone ?? 'UTC')
const id = computed(() => String(route.params.place))
const { data, error, isLoading } = useQuery({
  key: () => ['place', slug.value, id.value, address.value],
  query: () => api<PlaceInsights>(`${base.value}/places/${id.value}`, { query: address.value }),
  placeholderData: (previous) => previous,
})
const isEdited = ref(false)
const refresh = () => refreshAll('places')
const remove = useRemoval(refresh)
async function saved() {
  isEdited.value = false
  await refresh()
}
async function toggle() {
  try {
    const isActive = !data.value!.place.isActive
    await api(`${base.value}/places/${id.value}/active`, { method: 'PUT', body: { isActive } })
    await refresh()
    say.done(isActive ? 'The place is switched on again.' : 'The place is switched off. Its past stays.')
  } catch (problem) {
    say.problem(problem)
  }
}
async function removeIt() {
  const { name } = data.value!.place
  await router.push({ path: `/${slug.value}/places`, query: address.value })
  await remove(`${base.value}/places/${id.value}`, `“${name}” was removed.`)
}
const pins = computed(() => {
  const { lat, lon, name } = data.value?.place ?? {}
  return lat == null || lon == null ? [] : [{ id: 0, number: '·', name: name!, lat, lon }]
})
const areas = computed(() => data.value?.areas.map(({ name, requests }) => ({ name, count: requests })) ?? [])
const reviews = computed(() => ({ path: `/${slug.value}/reviews`, query: { ...address.value, place: id.value } }))
</script>

<template>
  <div>
    <ScopeSentence />
    <p v-if="error" role="alert">{{ error.message }}</p>
    <p v-else-if="isLoading && !data" class="quiet">Fetching the place …</p>
    <template v-if="data">
      <div class="row head">
        <h1>{{ data.place.name }}</h1>
        <span v-if="!data.place.isActive" class="quiet">switched off</span>
        <span v-if="session.mayWrite" class="row right no-print">
          <Button label="Change the record" size="small" outlined aria-haspopup="dialog" @click="isEdited = true" />
          <Button :label="data.place.isActive ? 'Switch off' : 'Switch on'" size="small" text @click="toggle" />
          <Button label="Remove" size="small" text :aria-label="`Remove ${data.place.name}`" @click="removeIt" />
        </span>
      </div>
      <PlaceSection v-if="data.periods.length" part="figures" :place="id">
        <PlaceFigures :insights="data" />
      </PlaceSection>
      <p v-else class="quiet">
        {{
          data.place.listing
            ? 'Its listing has no figures among the profiles above.'
            : 'It has no listing yet. Change the record and say which profile it is; then its figures stand here.'
        }}
      </p>
      <div class="two">
        <PlaceSection v-if="data.calls" part="calls" :place="id">
          <CallLines :calls="data.calls" />
        </PlaceSection>
        <PlaceSection part="record" :place="id">
          <PlaceRecordText :place="data.place" />
          <PlacesMap
            v-if="pins.length"
            class="no-print"
            :pins="pins"
            :areas="areas"
            :label="`Where ${data.place.name} is, and from where people asked for the way`"
          />
        </PlaceSection>
      </div>
      <div class="three">
        <PlaceSection v-if="areas.length" part="areas" :place="id">
          <PartsTable v-bind="PLACE_TABLES.areas" :parts="areas" />
          <WithheldText v-if="data.withheld" :withheld="data.withheld" />
        </PlaceSection>
        <PlaceSection v-if="data.searches.length" part="searches" :place="id">
          <PartsTable v-bind="PLACE_TABLES.searches" :parts="data.searches" />
        </PlaceSection>
        <PlaceSection v-if="data.surfaces.length" part="surfaces" :place="id">
          <PartsTable v-bind="PLACE_TABLES.surfaces" :parts="data.surfaces" />
        </PlaceSection>
      </div>
      <PlaceSection v-if="data.pictures" part="pictures" :place="id">
        <ListingPictures :shown="data.pictures" :time-zone="timeZone" />
      </PlaceSection>
      <p class="no-print"><NuxtLink :to="reviews">What people wrote about it</NuxtLink></p>
    </template>
    <PlaceDialog v-if="isEdited && data" :place="data.place" @close="isEdited = false" @saved="saved" />
  </div>
</template>

<style scoped>
.head {
  margin: 10px 0 6px;
}
h1 {
  font: 600 1.43rem var(--serif);
}
.right {
  margin-left: auto;
}
.two {
  display: grid;
  grid-template-columns: 3fr 2fr;
  gap: 24px;
  margin-top: 12px;
}
.two :deep(.land-map) {
  height: 190px;
  margin-top: 10px;
}
.three {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(260px, 1fr));
  gap: 12px 24px;
  margin: 12px 0;
}
@media (max-width: 1100px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
