<script setup lang="ts">
/** A figure of an industry, written down by hand: what it is of, its middle and quartiles, and from where it is. */
import { Unreadable } from '~~/core/unreadable'
import { ofPercent } from '~~/core/format/ofPercent'
import { readNumber } from '~~/core/format/readNumber'
import { REFERENCE_MEASURES, referenceMeasure } from '~~/core/industry/reference'
import { NETWORKS } from '~~/core/networks/networks'
import { referenceSchema, type KeptReference } from '~~/shared/compare/industry'

const props = defineProps<{ reference?: KeptReference }>()
const emit = defineEmits<{ close: []; saved: [] }>()
const say = useSay()
const locale = useLocale()
const { base } = useClient()
const { description } = useScope()
const networks = [{ id: 'any', name: 'any network' }, ...NETWORKS.map(({ id, name }) => ({ id, name }))]
const isShare = (measure: string) => referenceMeasure(measure).unit === 'share'
const plain = (value: number) => new Intl.NumberFormat(locale, { maximumFractionDigits: 6 }).format(value)
const written = (value: number | undefined, measure: string) =>
  value === undefined ? '' : plain(isShare(measure) ? 100 * value : value)
const first = props.reference
const form = reactive({
  measure: first?.measure ?? REFERENCE_MEASURES[0]!.id,
  network: first?.network || 'any',
  from: first?.from === undefined ? '' : plain(first.from),
  below: first?.below === undefined ? '' : plain(first.below),
  lower: written(first?.lower, first?.measure ?? 'post_rate'),
  middle: written(first?.middle, first?.measure ?? 'post_rate'),
  upper: written(first?.upper, first?.measure ?? 'post_rate'),
  source: first?.source ?? '',
  day: first?.day ?? description.data.value?.lastComplete ?? '',
})
const { forget, isBack, beginAnew } = useKeptForm(`figure ${first?.id ?? ''} of the industry of ${base.value}`, form)
const problems = ref<Record<string, string>>({})
const isSaving = ref(false)
const measure = computed(() => referenceMeasure(form.measure))
const unit = computed(() => (measure.value.unit === 'share' ? ', in %' : ''))

/** The numbers of the form; what is none says so at its field. */
function numbers() {
  const read = (field: 'from' | 'below' | 'lower' | 'middle' | 'upper', isValue: boolean) => {
    if (form[field].trim() === '') return null
    try {
      const value = readNumber(form[field], locale)
      return isValue && isShare(form.measure) ? ofPercent(value) : value
    } catch (error) {
      if (!(error instanceof Unreadable)) throw error
      problems.value[field] = error.message
      return null
    }
  }
  return {
    from: read('from', false),
    below: read('below', false),
    lower: read('lower', true),
    middle: read('middle', true) ?? undefined,
    upper: read('upper', true),
  }
}

async function save() {
  problems.value = {}
  isSaving.value = true
  try {
    const given = numbers()
    if (Object.keys(problems.value).length > 0) return
    const body = referenceSchema.validateSync(
      {
        measure: form.measure,
        network: form.network === 'any' ? '' : form.network,
        source: form.source,
        day: form.day,
        isInvented: first?.isInvented ?? false,
        ...given,
      },
      { abortEarly: false },
    )
    await api(first ? `${base.value}/references/${first.id}` : `${base.value}/references`, {
      method: first ? 'PUT' : 'POST',
      body,
    })
    forget()
    emit('saved')
    say.done(first ? 'The figure is changed.' : 'The figure is written down.')
  } catch (error) {
    problems.value = problemsOf(error, 'source')
  } finally {
    isSaving.value = false
  }
}
const VALUES = [
  { key: 'lower', label: 'Lower quartile' },
  { key: 'middle', label: 'Middle (median)' },
  { key: 'upper', label: 'Upper quartile' },
] as const
const SIZES = [
  { key: 'from', label: 'Of followers from' },
  { key: 'below', label: 'To below' },
] as const
</script>

<template>
  <OpeningDialog
    :label="reference ? 'Change a figure of the industry' : 'A figure of the industry'"
    width="36rem"
    @close="emit('close')"
  >
    <form novalidate @submit.prevent="save">
      <TypedBefore :is-back="isBack" @anew="beginAnew" />
      <div class="row">
        <div class="field grow">
          <label for="reference-measure">Measure</label
          ><Select
            v-model="form.measure"
            input-id="reference-measure"
            :options="[...REFERENCE_MEASURES]"
            option-label="name"
            option-value="id"
            fluid
            aria-label="Measure"
          />
        </div>
        <div class="field">
          <label for="reference-network">Accounts on</label
          ><Select
            v-model="form.network"
            input-id="reference-network"
            :options="networks"
            option-label="name"
            option-value="id"
            aria-label="Accounts on"
          />
        </div>
      </div>
      <p class="quiet">{{ measure.definition }}</p>
      <div class="row">
        <div v-for="{ key, label } in SIZES" :key="key" class="field part">
          <label :for="`reference-${key}`">{{ label }}</label
          ><InputText
            :id="`reference-${key}`"
            v-model="form[key]"
            inputmode="numeric"
            fluid
            placeholder="any"
            :invalid="!!problems[key]"
          />
          <p v-if="problems[key]" class="field-error" role="alert">{{ problems[key] }}</p>
        </div>
      </div>
      <div class="row">
        <div v-for="{ key, label } in VALUES" :key="key" class="field part">
          <label :for="`reference-${key}`">{{ label }}{{ unit }}</label
          ><InputText
            :id="`reference-${key}`"
            v-model="form[key]"
            inputmode="decimal"
            fluid
            :placeholder="key === 'middle' ? '' : 'not known'"
            :invalid="!!problems[key]"
          />
          <p v-if="problems[key]" class="field-error" role="alert">{{ problems[key] }}</p>
        </div>
      </div>
      <div class="row">
        <div class="field grow">
          <label for="reference-source">Source</label
          ><InputText
            id="reference-source"
            v-model="form.source"
            fluid
            :maxlength="200"
            placeholder="Who has published it, and where"
            :invalid="!!problems.source"
          />
          <p v-if="problems.source" class="field-error" role="alert">{{ problems.source }}</p>
        </div>
        <DayField id="reference-day" v-model="form.day" label="Of which day" :problem="problems.day" />
      </div>
      <div class="row end">
        <Button type="button" label="Cancel" text @click="emit('close')" />
        <Button type="submit" label="Keep the figure" :loading="isSaving" />
      </div>
    </form>
  </OpeningDialog>
</template>

<style scoped>
.part {
  flex: 1 1 8rem;
  min-width: 0;
}
.row {
  align-items: flex-start;
  gap: 12px;
}
.grow {
  flex: 1;
}
.end {
  justify-content: flex-end;
}
</style>
