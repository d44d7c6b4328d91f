<script setup lang="ts">
import type { ValidationError } from 'yup'
import { addDays } from '~~/core/days/day'
import { CATALOGUE, metricById } from '~~/core/metrics/catalogue'
import { GROUPS } from '~~/core/metrics/metric'
import { whoAddress } from '~~/shared/figures/scope'
import { targetSchema } from '~~/shared/read/targets'
import type { TargetRow } from '~~/shared/read/targets'
import type NumberField from '../../platform/shell/NumberField.vue'

const props = defineProps<{ target?: TargetRow }>()
const emit = defineEmits<{ close: []; saved: [] }>()
const say = useSay()
const { base } = useClient()
const { scope, description } = useScope()
const groups = GROUPS.map((group) => ({
  group,
  items: CATALOGUE.filter((metric) => metric.group === group).map(({ id, name }) => ({ id, name })),
}))
const last = description.data.value?.lastComplete ?? ''
const form = reactive({
  metric: props.target?.metric ?? 'interactions',
  who: props.target?.who ?? whoAddress(scope.value),
  wanted: undefined as number | undefined,
  from: props.target?.from ?? (last && addDays(last, 1)),
  by: props.target?.by ?? (last && addDays(last, 90)),
})
/** A share is written as a percentage, as it stands on the page. */
const scale = computed(() => (metricById(form.metric).unit === 'share' ? 100 : 1))
const UNITS: Record<string, string> = {
  share: 'percent',
  seconds: 'seconds',
  times: 'times',
  people: 'people',
  count: '',
}
const unit = computed(() => UNITS[metricById(form.metric).unit])
if (props.target) form.wanted = Number((props.target.wanted * scale.value).toPrecision(12))
const hint = computed(() => {
  const { polarity, kind } = metricById(form.metric)
  if (polarity < 0) return 'Less is better here: the value is one not to exceed.'
  return kind === 'stock'
    ? 'The level at the end.'
    : kind === 'flow'
      ? 'The sum from the first day to the last.'
      : 'The figure over all days from the first to the last.'
})
const whoChoices = computed(() => {
  const known = description.data.value
  const networks = [...new Map((known?.profiles ?? []).map(({ network, networkName }) => [network, networkName]))].map(
    ([value, name]) => {
      const count = known!.profiles.filter(({ network }) => network === value).length
      return { value, name: `${name}, ${count} ${count === 1 ? 'profile' : 'profiles'}` }
    },
  )
  const choices = [
    { value: 'all', name: 'All profiles' },
    ...networks,
    ...(known?.sets ?? []).map((set) => ({ value: `s${set.id}`, name: `${set.name} (set)` })),
    ...(known?.profiles ?? []).map((profile) => ({
      value: String(profile.id),
      name: `${profile.name}, ${profile.networkName}`,
    })),
  ]
  return choices.some(({ value }) => value === form.who)
    ? choices
    : [...choices, { value: form.who, name: 'The profiles chosen on the page' }]
})
const { forget, isBack, beginAnew } = useKeptForm(`target ${props.target?.id ?? ''} of ${base.value}`, form)
const wantedField = ref<InstanceType<typeof NumberField>>()
const problems = ref<Record<string, string>>({})
const isSaving = ref(false)

async function save() {
  problems.value = {}
  isSaving.value = true
  try {
    const unread = wantedField.value?.trouble()
    if (unread) return void (problems.value = { wanted: unread })
    const wanted = form.wanted === undefined ? undefined : form.wanted / scale.value
    const body = targetSchema.validateSync({ ...form, wanted }, { abortEarly: false })
    if (body.by < body.from)
      return void (problems.value = { by: 'The target ends before it begins. Choose a later day.' })
    await api(props.target ? `${base.value}/targets/${props.target.id}` : `${base.value}/targets`, {
      method: props.target ? 'PUT' : 'POST',
      body,
    })
    forget()
    emit('saved')
    say.done(props.target ? 'The target is changed.' : 'The target is set.')
  } catch (error) {
    const { inner } = error as ValidationError
    problems.value = inner
      ? Object.fromEntries(inner.map(({ path, message }) => [path, message]))
      : { wanted: (error as Error).message, ...(error as ApiProblem).fields }
  } finally {
    isSaving.value = false
  }
}
</script>

<template>
  <OpeningDialog :label="target ? 'Change the target' : 'Set a target'" width="30rem" @close="emit('close')">
    <form @submit.prevent="save">
      <TypedBefore :is-back="isBack" @anew="beginAnew" />
      <div class="field">
        <label for="target-metric">Metric</label
        ><Select
          v-model="form.metric"
          input-id="target-metric"
          :options="groups"
          option-group-label="group"
          option-group-children="items"
          option-label="name"
          option-value="id"
          aria-label="Metric"
        />
      </div>
      <div class="field">
        <label for="target-who">Of</label
        ><Select
          v-model="form.who"
          input-id="target-who"
          :options="whoChoices"
          option-label="name"
          option-value="value"
          aria-label="Of which profiles"
        />
      </div>
      <NumberField
        id="target-wanted"
        ref="wantedField"
        v-model="form.wanted"
        label="Wanted"
        :unit="unit"
        :hint="hint"
        autofocus
        :problem="problems.wanted"
      />
      <div class="row">
        <DayField id="target-from" v-model="form.from" label="From" :problem="problems.from" />
        <DayField id="target-by" v-model="form.by" label="By" :problem="problems.by" />
      </div>
      <Button type="submit" :label="target ? 'Change it' : 'Set it'" :loading="isSaving" />
    </form>
  </OpeningDialog>
</template>
