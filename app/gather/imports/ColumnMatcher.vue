<script setup lang="ts">
import type { ValidationError } from 'yup'
import { datasetById, PROFILE_DAY } from '~~/core/datasets/datasets'
import { dateTarget, FILE_DATASETS, importTargets } from '~~/core/imports/importTargets'
import { signOf } from '~~/core/imports/readDate'
import type { ColumnContent } from '~~/core/imports/columnContents'
import { guessTargets, type Layout, type Target } from '~~/core/imports/layout'
import { mappingSchema, type MappingInput } from '~~/shared/gather/imports'

const { layout, mapping } = defineProps<{ layout: Layout; mapping: Partial<MappingInput> | null }>()
const emit = defineEmits<{ check: [mapping: MappingInput] }>()
const { description } = useScope()
const { slug, base } = useClient()

/** What stands for an empty target: a choice without a value would look as if nothing were chosen. */
const UNUSED = 'unused'
const DATASETS = FILE_DATASETS.map(({ id, name }) => ({ value: id, name }))
const dataset = computed(() => datasetById(form.dataset))
const targets = computed(() => [
  { value: UNUSED, name: 'not used' },
  ...importTargets(dataset.value).map(({ value, name }) => ({ value, name })),
])
/** The column that says when: of posts it is an instant. */
const WHEN = computed(() => dateTarget(dataset.value))
const isOfSite = computed(() => dataset.value.keys.some(({ type }) => type === 'site'))
const CONTENTS: Record<ColumnContent, string> = {
  dates: 'dates',
  ids: 'ids of profiles',
  names: 'names of profiles',
  counts: 'counts',
  text: 'text',
  nothing: 'empty',
}
const ORDERS = [
  { value: 'day-month-year', name: 'day, month, year' },
  { value: 'month-day-year', name: 'month, day, year' },
  { value: 'year-month-day', name: 'year, month, day' },
]
const DECIMALS = [
  { value: 'point', name: '1,204.5' },
  { value: 'comma', name: '1.204,5' },
]

const form = reactive({
  targets: [...(mapping?.targets ?? layout.headings.map(() => ''))] as Target[],
  dateOrder: mapping?.dateOrder as string | undefined,
  decimal: mapping?.decimal ?? 'point',
  profile: mapping?.profile ?? null,
  site: mapping?.site ?? null,
  dataset: mapping?.dataset ?? PROFILE_DAY.id,
})
/** Another kind of data has other columns: what the headings say of it is guessed anew. */
function hold(id: string) {
  form.dataset = id
  form.targets = guessTargets(layout.headings, datasetById(id))
}
const { data: sites } = useQuery({
  key: () => ['sites', slug.value],
  query: () => api<{ id: number; name: string }[]>(`${base.value}/sites`),
})
const problem = ref('')
const day = computed(() => form.targets.indexOf(WHEN.value))
const order = computed(() => (day.value < 0 ? undefined : layout.dateOrders[day.value]))
const isAsked = computed(() => order.value === 'ambiguous')
const hasOwnProfile = computed(() => form.targets.includes('profile_id') || form.targets.includes('handle'))
const profiles = computed(
  () =>
    description.data.value?.profiles.map(({ id, name, networkName }) => ({
      value: id,
      name: `${name}, ${networkName}`,
    })) ?? [],
)
watch(
  order,
  (found) => {
    if (found && found !== 'none' && found !== 'ambiguous') form.dateOrder = found
  },
  { immediate: true },
)
/** Dates that are written in more than one way are asked about with one of each. */
const notations = computed(() =>
  day.value < 0
    ? []
    : (layout.dateSigns?.[day.value] ?? []).map(
        (sign) => layout.sample.map((cells) => cells[day.value] ?? '').find((cell) => signOf(cell) === sign) ?? '',
      ),
)
const question = computed(() =>
  !isAsked.value
    ? 'Dates give'
    : notations.value.length > 1
      ? `Dates are written in two ways: ${notations.value.map((cell) => `“${cell}”`).join(' and ')}. In which order?`
      : `“${example.value}” can be read two ways. Which is it?`,
)
const example = computed(() =>
  day.value < 0 ? '' : (layout.sample.map((cells) => cells[day.value]).find((cell) => cell?.trim()) ?? ''),
)

function check() {
  problem.value = ''
  try {
    const missing = importTargets(dataset.value).find(
      ({ value, isRequired }) => isRequired && !form.targets.includes(value),
    )
    if (missing) throw new Error(`Say which column holds “${missing.name}”.`)
    if (!dataset.value.measures.some(({ column }) => form.targets.includes(column)))
      throw new Error('Say which columns hold figures.')
    if (isOfSite.value && form.site === null) throw new Error('Say which site the file belongs to.')
    if (!isOfSite.value && !hasOwnProfile.value && form.profile === null)
      throw new Error('Say which profile the file belongs to.')
    emit(
      'check',
      mappingSchema.validateSync({
        ...form,
        profile: hasOwnProfile.value || isOfSite.value ? null : form.profile,
        site: isOfSite.value ? form.site : null,
      }),
    )
  } catch (error) {
    problem.value = (error as ValidationError).message
  }
}
</script>

<template>
  <form @submit.prevent="check">
    <div class="field kind">
      <label for="import-dataset">The file holds</label
      ><Select
        :model-value="form.dataset"
        input-id="import-dataset"
        :options="DATASETS"
        option-label="name"
        option-value="value"
        aria-label="The file holds"
        @update:model-value="hold"
      />
      <span class="quiet">One row is {{ dataset.grain }}.</span>
    </div>
    <h2 class="heading">What do the columns hold?</h2>
    <p class="quiet">
      <template v-if="layout.isJson">The names within its rows are the headings.</template>
      <template v-else
        >Headings found in row {{ layout.headerLine
        }}{{ layout.headerLine > 1 ? '; what stands above is left out' : '' }}.
        <template v-if="layout.sheet"
          >The sheet “{{ layout.sheet.name }}” is read{{
            layout.sheet.of > 1 ? `, the longest of ${layout.sheet.of}` : ''
          }}.</template
        ><template v-else
          >{{ layout.encoding.toUpperCase() }}, cells parted by
          {{ { ',': 'commas', ';': 'semicolons', '\t': 'tabs', '|': 'bars' }[layout.delimiter] }}.</template
        ></template
      >
      The matching is remembered for files with the same headings.
    </p>
    <div class="scroll">
      <table class="plain-table">
        <thead>
          <tr>
            <th v-for="(heading, index) in layout.headings" :key="index" scope="col" class="words">
              {{ heading || `column ${index + 1}` }}
            </th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <td v-for="(heading, index) in layout.headings" :key="index" class="words">
              <Select
                :model-value="form.targets[index] || UNUSED"
                :options="targets"
                option-label="name"
                option-value="value"
                size="small"
                :aria-label="`What the column “${heading}” holds`"
                @update:model-value="(target) => (form.targets[index] = (target === UNUSED ? '' : target) as Target)"
              />
            </td>
          </tr>
          <tr v-if="layout.contents" class="quiet">
            <td v-for="(_, index) in layout.headings" :key="index" class="words">
              {{ CONTENTS[layout.contents[index]!] }}
            </td>
          </tr>
          <tr v-for="(cells, row) in layout.sample.slice(0, 6)" :key="row" class="quiet">
            <td v-for="(_, index) in layout.headings" :key="index" class="words">{{ cells[index] }}</td>
          </tr>
        </tbody>
      </table>
    </div>
    <div class="row questions">
      <div v-if="isOfSite" class="field">
        <label for="import-site">These figures belong to</label
        ><Select
          v-model="form.site"
          input-id="import-site"
          :options="sites ?? []"
          option-label="name"
          option-value="id"
          placeholder="Choose a site"
          aria-label="These figures belong to the site"
        />
        <span v-if="sites?.length === 0" class="quiet">No site yet: add it on the page Traffic first.</span>
      </div>
      <div v-else-if="!hasOwnProfile" class="field">
        <label for="import-profile">These figures belong to</label
        ><Select
          v-model="form.profile"
          input-id="import-profile"
          label-id="import-profile-label"
          :options="profiles"
          option-label="name"
          option-value="value"
          placeholder="Choose a profile"
          aria-label="These figures belong to"
        />
      </div>
      <div class="field">
        <label for="import-order">{{ question }}</label>
        <Select
          v-model="form.dateOrder"
          input-id="import-order"
          :options="ORDERS"
          option-label="name"
          option-value="value"
          placeholder="Choose"
          aria-label="Order of day and month"
          :invalid="isAsked && !form.dateOrder"
        />
      </div>
      <div class="field">
        <label for="import-decimal">Numbers look like</label
        ><Select
          v-model="form.decimal"
          input-id="import-decimal"
          :options="DECIMALS"
          option-label="name"
          option-value="value"
          aria-label="How numbers are written"
        />
      </div>
    </div>
    <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
    <Button type="submit" label="Check the whole file" />
  </form>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
  margin: 8px 0 14px;
}
.kind {
  max-width: 24rem;
}
.questions {
  gap: 20px;
  align-items: flex-end;
}
</style>
