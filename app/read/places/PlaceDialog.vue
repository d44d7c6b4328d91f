<script setup lang="ts">
/** The master record of a place. */
import { EMPTY_PLACE, LIST_SIGN, listOf } from '~~/core/places/place'
import { spokenPhone } from '~~/core/places/phone'
import { placeSchema, type Place } from '~~/shared/read/places'
import type { ProfilesView } from '~~/shared/gather/profiles'
import type HoursEditor from './HoursEditor.vue'
import { proofWords } from './proofWords'

const props = defineProps<{ place?: Place }>()
const emit = defineEmits<{ close: []; saved: [id: number | undefined] }>()
const say = useSay()
const { slug, base } = useClient()
const { data: profiles } = useQuery({
  key: () => ['profiles', slug.value],
  query: () => api<ProfilesView>(`${base.value}/profiles`),
})
const listings = computed(() => [
  { value: 0, name: 'none yet' },
  ...(profiles.value?.profiles ?? [])
    .filter(({ isRival }) => !isRival)
    .map(({ id, name, networkName }) => ({ value: id, name: `${name}, ${networkName}` })),
])
const before = props.place ?? EMPTY_PLACE
const form = reactive({
  name: before.name,
  categories: before.categories.join(LIST_SIGN),
  street: before.street,
  town: before.town,
  postcode: before.postcode,
  country: before.country,
  lat: before.lat === null ? '' : String(before.lat),
  lon: before.lon === null ? '' : String(before.lon),
  phone: before.phone && spokenPhone(before.phone),
  web: before.web,
  hours: before.hours,
  attributes: before.attributes.join(LIST_SIGN),
  description: before.description,
  pictures: before.pictures.join('\n'),
  listing: props.place?.listing?.id ?? 0,
})
const { forget, isBack, beginAnew } = useKeptForm(`place ${props.place?.id ?? ''} of ${base.value}`, form)
const hours = ref<InstanceType<typeof HoursEditor>>()
const problems = ref<Record<string, string>>({})
const isSaving = ref(false)
/** What is wrong with a field, or with one of several values in it. */
const problemOf = (field: string) =>
  problems.value[field] ?? Object.entries(problems.value).find(([path]) => path.startsWith(`${field}[`))?.[1]
/** What networks want proof of again, of the fields that were changed. */
const proof = computed(() =>
  props.place?.listing
    ? proofWords(
        (['name', 'categories', 'phone', 'street'] as const).filter((field) => {
          const was = before[field]
          return (
            form[field].trim() !==
            (Array.isArray(was) ? was.join(LIST_SIGN) : field === 'phone' && was ? spokenPhone(was) : was)
          )
        }),
      )
    : '',
)
const LINES = [
  { key: 'street', label: 'Street and number', most: 120 },
  { key: 'town', label: 'Town', most: 80 },
  { key: 'postcode', label: 'Postcode', most: 16 },
  { key: 'country', label: 'Country, two letters', most: 2 },
  { key: 'phone', label: 'Telephone, with its country', most: 40 },
  { key: 'web', label: 'Web address', most: 300 },
] as const
const pins = computed(() => {
  const [lat, lon] = [Number(form.lat), Number(form.lon)]
  return form.lat !== '' && form.lon !== '' && Math.abs(lat) <= 90 && Math.abs(lon) <= 180
    ? [{ id: 0, number: '·', name: form.name, lat, lon }]
    : []
})

async function save() {
  problems.value = {}
  const trouble = hours.value?.trouble()
  if (trouble) return void (problems.value = { hours: trouble })
  isSaving.value = true
  try {
    const body = placeSchema.validateSync(
      {
        ...form,
        categories: listOf(form.categories),
        attributes: listOf(form.attributes),
        pictures: form.pictures.split(/\s+/).filter(Boolean),
        lat: form.lat.trim() === '' ? null : form.lat.replace(',', '.'),
        lon: form.lon.trim() === '' ? null : form.lon.replace(',', '.'),
        listing: form.listing || null,
      },
      { abortEarly: false },
    )
    const answer = await api<{ id?: number }>(
      props.place ? `${base.value}/places/${props.place.id}` : `${base.value}/places`,
      {
        method: props.place ? 'PUT' : 'POST',
        body,
      },
    )
    forget()
    emit('saved', answer.id)
    say.done(props.place ? 'The record is changed.' : 'The place is there.')
  } catch (error) {
    problems.value = problemsOf(error, 'name')
  } finally {
    isSaving.value = false
  }
}
</script>

<template>
  <OpeningDialog :label="place ? 'Change the master record' : 'A new place'" width="48rem" @close="emit('close')">
    <form novalidate @submit.prevent="save">
      <TypedBefore :is-back="isBack" @anew="beginAnew" />
      <div class="two">
        <div>
          <div class="field">
            <label for="place-name">Name</label>
            <InputText id="place-name" v-model="form.name" fluid :maxlength="120" :invalid="!!problems.name" />
            <p v-if="problems.name" class="field-error" role="alert">{{ problems.name }}</p>
          </div>
          <div class="field">
            <label for="place-categories">Categories</label>
            <InputText
              id="place-categories"
              v-model="form.categories"
              fluid
              placeholder="tea room; café"
              :invalid="!!problemOf('categories')"
            />
            <p v-if="problemOf('categories')" class="field-error" role="alert">{{ problemOf('categories') }}</p>
          </div>
          <div v-for="line in LINES" :key="line.key" class="field">
            <label :for="`place-${line.key}`">{{ line.label }}</label>
            <InputText
              :id="`place-${line.key}`"
              v-model="form[line.key]"
              fluid
              :maxlength="line.most"
              :invalid="!!problems[line.key]"
            />
            <p v-if="problems[line.key]" class="field-error" role="alert">{{ problems[line.key] }}</p>
          </div>
          <div class="field">
            <label for="place-listing">Its listing</label>
            <Select
              v-model="form.listing"
              input-id="place-listing"
              :options="listings"
              option-label="name"
              option-value="value"
              fluid
              aria-label="Its listing"
            />
            <p v-if="problems.listing" class="field-error" role="alert">{{ problems.listing }}</p>
          </div>
        </div>
        <div>
          <HoursEditor ref="hours" v-model="form.hours" :problem="problems.hours" />
          <div class="row">
            <div class="field degrees">
              <label for="place-lat">Latitude</label>
              <InputText id="place-lat" v-model="form.lat" inputmode="decimal" fluid :invalid="!!problems.lat" />
            </div>
            <div class="field degrees">
              <label for="place-lon">Longitude</label>
              <InputText id="place-lon" v-model="form.lon" inputmode="decimal" fluid :invalid="!!problems.lon" />
            </div>
          </div>
          <p v-if="problems.lat || problems.lon" class="field-error" role="alert">{{ problems.lat ?? problems.lon }}</p>
          <PlacesMap
            :pins="pins"
            is-chosen
            label="Where the place is: press on the map, or write its degrees"
            @move="(lat, lon) => Object.assign(form, { lat: String(lat), lon: String(lon) })"
          />
        </div>
      </div>
      <div class="field">
        <label for="place-attributes">Attributes</label>
        <InputText
          id="place-attributes"
          v-model="form.attributes"
          fluid
          placeholder="step-free; car park"
          :invalid="!!problemOf('attributes')"
        />
        <p v-if="problemOf('attributes')" class="field-error" role="alert">{{ problemOf('attributes') }}</p>
      </div>
      <div class="field">
        <label for="place-description">Description</label>
        <Textarea id="place-description" v-model="form.description" rows="2" fluid :maxlength="1000" />
      </div>
      <div class="field">
        <label for="place-pictures">Pictures, a web address in each line</label>
        <Textarea id="place-pictures" v-model="form.pictures" rows="2" fluid :invalid="!!problemOf('pictures')" />
        <p v-if="problemOf('pictures')" class="field-error" role="alert">{{ problemOf('pictures') }}</p>
      </div>
      <p v-if="proof" class="quiet" role="status">{{ proof }}</p>
      <Button type="submit" :label="place ? 'Change it' : 'Add it'" :loading="isSaving" />
    </form>
  </OpeningDialog>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 20px;
}
.degrees {
  flex: 1;
}
.two :deep(.land-map) {
  height: 220px;
  margin-bottom: 12px;
}
@media (max-width: 800px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
