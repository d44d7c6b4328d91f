<script setup lang="ts">
/** Repeats a post: how often, on which weekdays, and until when; what that comes to is shown before it is kept. */
import { addDays, weekday } from '~~/core/days/day'
import { WEEKDAYS } from '~~/core/times/slots'

const props = defineProps<{ address: string; first: string }>()
const emit = defineEmits<{ close: []; done: [] }>()
const say = useSay()
const CODES = ['MO', 'TU', 'WE', 'TH', 'FR', 'SA', 'SU'] as const
const firstDay = props.first.slice(0, 10)
const form = reactive({
  every: 'WEEKLY',
  interval: '1',
  days: [weekday(firstDay) - 1],
  until: addDays(firstDay, 28),
})
const EVERY = [
  { value: 'DAILY', name: 'days' },
  { value: 'WEEKLY', name: 'weeks' },
  { value: 'MONTHLY', name: 'months' },
]
const toggle = (index: number) =>
  (form.days = form.days.includes(index) ? form.days.filter((day) => day !== index) : [...form.days, index].sort())
const rule = computed(() =>
  [
    `FREQ=${form.every}`,
    `INTERVAL=${form.interval}`,
    ...(form.every === 'WEEKLY' && form.days.length > 0
      ? [`BYDAY=${form.days.map((day) => CODES[day]).join(',')}`]
      : []),
    `UNTIL=${form.until.replaceAll('-', '')}T235959Z`,
  ].join(';'),
)
const problem = ref('')
async function keep() {
  problem.value = ''
  try {
    const { ids } = await api<{ ids: number[] }>(`${props.address}/repeats`, {
      method: 'POST',
      body: { rule: rule.value },
    })
    emit('done')
    emit('close')
    say.done(`${ids.length} more ${ids.length === 1 ? 'draft stands' : 'drafts stand'} in the calendar.`, async () => {
      await api(props.address.replace(/\/\d+$/, '/remove'), { method: 'POST', body: { ids } })
      emit('done')
    })
  } catch (error) {
    problem.value = (error as Error).message
  }
}
</script>

<template>
  <OpeningDialog label="Repeat the post" width="30rem" @close="emit('close')">
    <form novalidate @submit.prevent="keep">
      <p class="quiet">
        At the same time of the client’s clocks. Each becomes a draft of its own, and is approved as such.
      </p>
      <div class="row">
        <div class="field">
          <label for="repeat-interval">Every</label>
          <InputText id="repeat-interval" v-model="form.interval" inputmode="numeric" size="small" class="short" />
        </div>
        <Select
          v-model="form.every"
          :options="EVERY"
          option-label="name"
          option-value="value"
          size="small"
          aria-label="Days, weeks or months"
        />
      </div>
      <fieldset v-if="form.every === 'WEEKLY'">
        <legend class="field-label">On which days</legend>
        <label v-for="(name, index) in WEEKDAYS" :key="name" class="row day"
          ><Checkbox
            binary
            :model-value="form.days.includes(index)"
            :input-id="`repeat-${index}`"
            @update:model-value="toggle(index)"
          />{{ name }}</label
        >
      </fieldset>
      <DayField id="repeat-until" v-model="form.until" label="Until" />
      <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
      <Button type="submit" label="Repeat it" />
    </form>
  </OpeningDialog>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
  margin: 0 0 10px;
  columns: 2;
}
.day {
  min-height: 26px;
}
.short {
  width: 4rem;
}
</style>
