<script setup lang="ts">
/** Who of a client's viewers sees single places alone, and which: the owner of the agency decides. */
import { placesOfPersonSchema, type PersonOfPlaces, type PlacesPage } from '~~/shared/read/places'

const props = defineProps<{ page: PlacesPage }>()
const emit = defineEmits<{ close: [] }>()
const say = useSay()
const { slug, base } = useClient()
const { data, error, refetch } = useQuery({
  key: () => ['place-people', slug.value],
  query: () => api<PersonOfPlaces[]>(`${base.value}/places/people`),
})
const choices = computed(() => props.page.all.map(({ id, name, town }) => ({ id, name, remark: town })))
const chosen = ref<number>()
const person = computed(() => data.value?.find(({ id }) => id === chosen.value) ?? data.value?.[0])
const EVERYTHING = 'everything'
const form = reactive({ sees: EVERYTHING, places: [] as number[] })
watch(
  person,
  (now) => Object.assign(form, { sees: now?.places ? 'places' : EVERYTHING, places: [...(now?.places ?? [])] }),
  { immediate: true },
)
const SIGHTS = [
  { id: EVERYTHING, name: 'the editions, and all that is released to viewers' },
  { id: 'places', name: 'single places, and nothing else of the client' },
]
const { problem, isBusy, attempt } = useAttempt()
const keep = () =>
  attempt(async () => {
    const { id, name, places: before } = person.value!
    const tell = async (places: number[] | null) => {
      await api(`${base.value}/places/people/${id}`, { method: 'PUT', body: { places } })
      await refetch()
    }
    const { places } = placesOfPersonSchema.validateSync({ places: form.sees === EVERYTHING ? null : form.places })
    await tell(places)
    say.done(
      places
        ? `${name} sees ${places.length} ${places.length === 1 ? 'place' : 'places'}, and nothing else, from now on.`
        : `${name} sees all that is released to viewers from now on.`,
      () => tell(before),
    )
  })
</script>

<template>
  <OpeningDialog label="Who sees which places" width="32rem" @close="emit('close')">
    <p v-if="error" role="alert">{{ error.message }}</p>
    <p v-else-if="!data" class="quiet">Fetching the viewers …</p>
    <p v-else-if="!person">
      This client has no viewer yet. Whoever runs Zaffer adds people; then it is said here which places they see.
    </p>
    <form v-else @submit.prevent="keep">
      <div class="field">
        <label for="place-person">Viewer</label
        ><Select
          :model-value="person.id"
          input-id="place-person"
          :options="data.map(({ id, name, email }) => ({ id, name: `${name}, ${email}` }))"
          option-label="name"
          option-value="id"
          fluid
          aria-label="Viewer"
          @update:model-value="(id) => (chosen = id)"
        />
      </div>
      <div class="field">
        <label for="place-sees">Sees</label
        ><Select
          v-model="form.sees"
          input-id="place-sees"
          :options="SIGHTS"
          option-label="name"
          option-value="id"
          fluid
          aria-label="Sees"
        />
      </div>
      <template v-if="form.sees !== EVERYTHING">
        <div class="field">
          <span class="field-label">Places</span>
          <MemberChecks v-model="form.places" :choices="choices" name="people" />
        </div>
        <p class="quiet">
          Of these they see the figures, the reviews, the questions and the entries in directories, once figures are
          released to viewers; neither ranks nor editions, which speak of the other places too.
        </p>
      </template>
      <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
      <Button type="submit" label="Keep it" :loading="isBusy" />
    </form>
  </OpeningDialog>
</template>
