<script setup lang="ts">
/** Several places changed at once: what each would become is seen before it is done. */
import { CHANGE_WAYS, isListField, SHARED_FIELDS, type ChangeWay, type SharedField } from '~~/core/places/manyChanges'
import type { ManyPlaces, PlacesPage } from '~~/shared/read/places'
import type HoursEditor from './HoursEditor.vue'
import { proofWords } from './proofWords'

const props = defineProps<{ page: PlacesPage }>()
const emit = defineEmits<{ close: []; saved: [] }>()
const say = useSay()
const refresh = useRefresh()
const { base } = useClient()
const form = reactive<{ places: number[]; field: SharedField; way: ChangeWay; value: string }>({
  places: props.page.places.filter(({ isActive }) => isActive).map(({ id }) => id),
  field: 'hours',
  way: 'set',
  value: '',
})
const choices = computed(() => props.page.all.map(({ id, name, town }) => ({ id, name, remark: town })))
const fields = SHARED_FIELDS.map(({ field, name }) => ({ id: field as SharedField, name }))
const ways = computed(() => CHANGE_WAYS.filter(({ id }) => id === 'set' || isListField(form.field)))
const hours = useTemplateRef<InstanceType<typeof HoursEditor>>('hours')
// what was written for one field is nothing for another
watch(
  () => form.field,
  () => Object.assign(form, { way: 'set', value: '' }),
)
const preview = ref<ManyPlaces>()
const { problem, isBusy, attempt } = useAttempt()
// what was looked at is no longer what would be done
watch(form, () => (preview.value = undefined))

const send = (changes: object[], isTaken: boolean) =>
  api<ManyPlaces>(`${base.value}/places/changes`, { method: 'POST', body: { changes, isTaken } })
const ask = (isTaken: boolean) =>
  attempt(async () => {
    const trouble = hours.value?.trouble()
    if (trouble) throw new Error(trouble)
    const answer = await send([{ ...form }], isTaken)
    if (!isTaken) return void (preview.value = answer)
    const { changed } = answer
    say.done(`${changed.length} ${changed.length === 1 ? 'place is' : 'places are'} changed.`, async () => {
      await send(
        changed.flatMap(({ id, changes }) =>
          changes.map(({ field, from }) => ({ places: [id], field, way: 'set', value: from })),
        ),
        true,
      )
      await refresh('places')
    })
    emit('saved')
  })
const proof = computed(() =>
  preview.value?.changed.some(({ hasListing }) => hasListing) ? proofWords([form.field]) : '',
)
</script>

<template>
  <OpeningDialog label="Change several places" width="44rem" @close="emit('close')">
    <form class="two" @submit.prevent="ask(false)">
      <div class="field">
        <span class="field-label">Places</span>
        <MemberChecks v-model="form.places" :choices="choices" name="many" />
      </div>
      <div>
        <div class="row">
          <div class="field">
            <label for="many-field">Field</label
            ><Select
              v-model="form.field"
              input-id="many-field"
              :options="fields"
              option-label="name"
              option-value="id"
              aria-label="Field"
            />
          </div>
          <div class="field">
            <label for="many-way">What is done</label
            ><Select
              v-model="form.way"
              input-id="many-way"
              :options="ways"
              option-label="name"
              option-value="id"
              aria-label="What is done"
            />
          </div>
        </div>
        <HoursEditor v-if="form.field === 'hours'" ref="hours" v-model="form.value" />
        <div v-else class="field">
          <label for="many-value">{{ isListField(form.field) ? 'Values, parted by semicolons' : 'Value' }}</label
          ><Textarea
            v-if="form.field === 'description'"
            id="many-value"
            v-model="form.value"
            rows="4"
            fluid
          /><InputText v-else id="many-value" v-model="form.value" fluid :invalid="!!problem" />
        </div>
        <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
        <Button type="submit" label="Look what changes" outlined :loading="isBusy && !preview" />
      </div>
    </form>
    <div v-if="preview" aria-live="polite">
      <p>
        {{ preview.changed.length }} change, {{ preview.same }} stay as they are, {{ preview.refused.length }} are
        refused.
      </p>
      <RecordChanges :changed="preview.changed" :refused="preview.refused" />
      <p v-if="proof" class="worse">{{ proof }}</p>
      <Button
        v-if="preview.changed.length"
        :label="`Change ${preview.changed.length} ${preview.changed.length === 1 ? 'place' : 'places'}`"
        :loading="isBusy"
        @click="ask(true)"
      />
    </div>
  </OpeningDialog>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 2fr 3fr;
  gap: 20px;
  align-items: start;
}
@media (max-width: 700px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
