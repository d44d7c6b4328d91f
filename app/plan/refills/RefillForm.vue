<script setup lang="ts">
/** A list that refills slots, as it is written. */
import { refillSchema, type Refill } from '~~/shared/plan/refills'
import { rowsOfSlots, slotsOfRows } from '../calendar/slotTimes'

const props = defineProps<{ /** The list that is changed; none for a new one. */ list?: Refill }>()
const emit = defineEmits<{ kept: []; stop: [] }>()
const say = useSay()
const { base } = useClient()
const form = reactive({
  name: props.list?.name ?? '',
  rows: rowsOfSlots(props.list?.slots ?? []),
  daysApart: String(props.list?.daysApart ?? 30),
  endsOn: props.list?.endsOn ?? '',
  isOn: props.list?.isOn ?? true,
  goesOut: props.list?.goesOut ?? false,
})
const problems = ref<Record<string, string>>({})
const isBusy = ref(false)
async function keep() {
  problems.value = {}
  isBusy.value = true
  try {
    const { rows, ...given } = form
    const body = refillSchema.validateSync({ ...given, slots: slotsOfRows(rows) }, { abortEarly: false })
    const address = `${base.value}/plan/refills`
    await api(props.list ? `${address}/${props.list.id}` : address, { method: props.list ? 'PUT' : 'POST', body })
    say.done(`“${body.name}” is kept.`)
    emit('kept')
  } catch (trouble) {
    problems.value = problemsOf(trouble, 'all')
  }
  isBusy.value = false
}
const slotProblem = computed(
  () => Object.entries(problems.value).find(([field]) => field.startsWith('slots'))?.[1] ?? '',
)
</script>

<template>
  <form novalidate @submit.prevent.stop="keep">
    <div class="field">
      <label for="refill-name">Name of the list</label>
      <InputText id="refill-name" v-model="form.name" size="small" fluid :maxlength="80" :invalid="!!problems.name" />
      <p v-if="problems.name" class="field-error" role="alert">{{ problems.name }}</p>
    </div>
    <SlotRows v-model="form.rows" />
    <p v-if="slotProblem" class="field-error" role="alert">{{ slotProblem }}</p>
    <div class="row fields">
      <div class="field">
        <label for="refill-apart">Days between two uses of a post, at least</label>
        <InputText
          id="refill-apart"
          v-model="form.daysApart"
          size="small"
          inputmode="numeric"
          :invalid="!!problems.daysApart"
        />
        <p v-if="problems.daysApart" class="field-error" role="alert">{{ problems.daysApart }}</p>
      </div>
      <DayField id="refill-ends" v-model="form.endsOn" label="Last day, if it ends" :problem="problems.endsOn" />
    </div>
    <label class="row"><Checkbox v-model="form.isOn" binary input-id="refill-on" />it fills its slots</label>
    <label class="row"
      ><Checkbox v-model="form.goesOut" binary input-id="refill-out" />its posts go out by themselves, as far as they
      are approved; otherwise they are drafts</label
    >
    <p v-if="problems.all" class="field-error" role="alert">{{ problems.all }}</p>
    <div class="row">
      <Button type="submit" label="Keep the list" size="small" :loading="isBusy" />
      <Button type="button" label="Leave it as it was" text size="small" @click="emit('stop')" />
    </div>
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 8px;
  margin: 8px 0;
}
.fields {
  justify-content: flex-start;
  align-items: flex-start;
}
label.row {
  justify-content: flex-start;
}
</style>
