<script setup lang="ts">
/** Whom the client wants to reach: ages, genders, countries and languages. */
import { AGES } from '~~/core/breakdowns/breakdowns'
import { intendedSchema, type FacetView, type IntendedInput } from '~~/shared/read/audience'

const props = defineProps<{ wanted?: IntendedInput; facets: FacetView[] }>()
const emit = defineEmits<{ close: []; saved: [] }>()
const say = useSay()
const { base } = useClient()
const form = reactive({
  ages: [...(props.wanted?.ages ?? [])],
  genders: [...(props.wanted?.genders ?? [])],
  countries: [...(props.wanted?.countries ?? [])],
  languages: [...(props.wanted?.languages ?? [])],
})
const GENDERS = [
  { id: 'f', name: 'Women' },
  { id: 'm', name: 'Men' },
]
const partsOf = (facet: string, kept: readonly string[]) => {
  const known = (props.facets.find((each) => each.facet === facet)?.parts ?? []).map(({ part, name }) => ({
    id: part,
    name,
  }))
  return [...known, ...kept.filter((id) => !known.some((each) => each.id === id)).map((id) => ({ id, name: id }))]
}
const groups = computed(() => [
  { key: 'ages' as const, label: 'Ages', choices: AGES.map((id) => ({ id, name: id.replace('-', '–') })) },
  { key: 'genders' as const, label: 'Genders', choices: GENDERS },
  { key: 'countries' as const, label: 'Countries', choices: partsOf('country', form.countries) },
  { key: 'languages' as const, label: 'Languages', choices: partsOf('language', form.languages) },
])
const problem = ref('')
const isSaving = ref(false)

async function save() {
  problem.value = ''
  isSaving.value = true
  try {
    const body = intendedSchema.validateSync(form)
    await api(`${base.value}/audience/intended`, { method: 'PUT', body })
    emit('saved')
    say.done('It is written down.')
  } catch (error) {
    problem.value = (error as Error).message
  } finally {
    isSaving.value = false
  }
}
</script>

<template>
  <OpeningDialog label="Whom the client wants" width="32rem" @close="emit('close')">
    <form @submit.prevent="save">
      <p class="quiet">What is not ticked in a group does not matter where nothing is ticked there.</p>
      <fieldset v-for="group in groups" :key="group.key">
        <legend>{{ group.label }}</legend>
        <label v-for="choice in group.choices" :key="choice.id"
          ><input v-model="form[group.key]" type="checkbox" :value="choice.id" /> {{ choice.name }}</label
        >
        <span v-if="group.choices.length === 0" class="quiet">No network tells any.</span>
      </fieldset>
      <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
      <Button type="submit" label="Write it down" :loading="isSaving" />
    </form>
  </OpeningDialog>
</template>

<style scoped>
fieldset {
  border: 0;
  border-top: 1px solid var(--rule);
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  padding: 5px 0 8px;
}
legend {
  float: left;
  width: 6rem;
  font-weight: 600;
}
</style>
