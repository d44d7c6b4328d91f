<script setup lang="ts">
import type { ValidationError } from 'yup'
import { CATALOGUE } from '~~/core/metrics/catalogue'
import { FACT_COLUMNS } from '~~/core/metrics/storedFigures'
import { signOf } from '~~/core/imports/readDate'
import type { ColumnContent } from '~~/core/imports/columnContents'
import type { Layout, Target } from '~~/core/imports/layout'
import { mappingSchema, type MappingInput } from '~~/shared/gather/imports'

const { layout, mapping } = defineProps<{ layout: Layout; mapping: Partial<MappingInput> | null }>()
const emit = defineEmits<{ check: [mapping: MappingInput] }>()
const { description } = useScope()

const plain = Object.fromEntries(
  CATALOGUE.flatMap((metric) =>
    metric.kind === 'flow' && metric.parts.length === 1 ? [[metric.parts[0]!.column, metric.name]] : [],
  ),
)
const NAMES: Record<string, string> = {
  ...plain,
  watch_seconds: 'Watch time, in seconds',
  followers: 'Followers, at the end of the day',
  reach_1d: 'Reach of the day',
  reach_7d: 'Reach of 7 days',
  reach_28d: 'Reach of 28 days',
  visitors_1d: 'Profile visitors of the day',
  visitors_7d: 'Profile visitors of 7 days',
  visitors_28d: 'Profile visitors of 28 days',
}
/** What stands for an empty target: a choice without a value would look as if nothing were chosen. */
const UNUSED = 'unused'
const TARGETS: { value: string; name: string }[] = [
  { value: UNUSED, name: 'not used' },
  { value: 'day', name: 'Date' },
  { value: 'profile_id', name: 'Id of the profile' },
  { value: 'handle', name: 'Handle or name of the profile' },
  ...FACT_COLUMNS.map((column) => ({ value: column as Target, name: NAMES[column]! })),
]
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
})
const problem = ref('')
const day = computed(() => form.targets.indexOf('day'))
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
    if (!form.targets.includes('day')) throw new Error('Say which column holds the date.')
    if (!form.targets.some((target) => (FACT_COLUMNS as readonly string[]).includes(target)))
      throw new Error('Say which columns hold figures.')
    if (!hasOwnProfile.value && form.profile === null) throw new Error('Say which profile the file belongs to.')
    emit('check', mappingSchema.validateSync({ ...form, profile: hasOwnProfile.value ? null : form.profile }))
  } catch (error) {
    problem.value = (error as ValidationError).message
  }
}
</script>

<template>
  <form @submit.prevent="check">
    <h2 class="heading">What do the columns hold?</h2>
    <p class="quiet">
      Headings found in row {{ layout.headerLine }}{{ layout.headerLine > 1 ? '; what stands above is left out' : '' }}.
      {{ layout.encoding.toUpperCase() }}, cells parted by
      {{ { ',': 'commas', ';': 'semicolons', '\t': 'tabs', '|': 'bars' }[layout.delimiter] }}. The matching is
      remembered for files with the same headings.
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
                :options="TARGETS"
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
      <div v-if="!hasOwnProfile" class="field">
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
.questions {
  gap: 20px;
  align-items: flex-end;
}
</style>
