<script setup lang="ts">
/** At which times of the week posts of the client go out. */
import { clockTime } from '~~/core/plan/freeSlots'
import { WEEKDAYS } from '~~/core/times/slots'
import { weeklySlotsSchema, type WeeklySlots } from '~~/shared/plan/weeklySlots'

const emit = defineEmits<{ close: []; changed: [] }>()
const say = useSay()
const refresh = useRefresh()
const { slug, base } = useClient()
const { data, error } = useQuery({
  key: () => ['plan', slug.value, 'slots'],
  query: () => api<WeeklySlots>(`${base.value}/plan/slots`),
})
const rows = ref<{ weekday: number; time: string }[]>()
const asRows = ({ slots }: WeeklySlots) => slots.map(({ weekday, minutes }) => ({ weekday, time: clockTime(minutes) }))
watch(data, (known) => known && (rows.value ??= asRows(known)), { immediate: true })
const weekdays = WEEKDAYS.map((name, index) => ({ id: index + 1, name }))
const { problem, isBusy, attempt } = useAttempt()
const put = (body: object) => api(`${base.value}/plan/slots`, { method: 'PUT', body })
/** A time as minutes; none where it is no time. */
function minutesOf(time: string): number | undefined {
  const found = /^(\d{1,2}):(\d{2})/.exec(time)
  return found ? 60 * Number(found[1]) + Number(found[2]) : undefined
}
const keep = () =>
  attempt(async () => {
    const before = data.value!.slots
    const slots = rows.value!.map(({ weekday, time }) => ({ weekday, minutes: minutesOf(time) }))
    await put(weeklySlotsSchema.validateSync({ slots }))
    emit('changed')
    emit('close')
    say.done('These are the weekly slots now.', async () => {
      await put({ slots: before })
      await refresh('plan')
    })
  })
</script>

<template>
  <OpeningDialog label="Weekly slots" width="30rem" @close="emit('close')">
    <p>
      Times of the week at which posts go out, on the client’s clocks. A new post takes the next that is free, and many
      drafts can be placed on them at once.
    </p>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <form v-if="rows" novalidate @submit.prevent="keep">
      <p v-if="rows.length === 0" class="quiet">No slot yet.</p>
      <ul>
        <li v-for="(row, index) in rows" :key="index" class="row">
          <Select
            v-model="row.weekday"
            :options="weekdays"
            option-label="name"
            option-value="id"
            size="small"
            :aria-label="`Weekday of slot ${index + 1}`"
          />
          <InputText v-model="row.time" type="time" size="small" :aria-label="`Time of slot ${index + 1}`" />
          <Button
            type="button"
            label="Take away"
            text
            size="small"
            :aria-label="`Take away slot ${index + 1}`"
            @click="rows.splice(index, 1)"
          />
        </li>
      </ul>
      <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
      <div class="row">
        <Button
          v-if="rows.length < 50"
          type="button"
          label="One more slot"
          outlined
          @click="rows.push({ weekday: 1, time: '' })"
        />
        <Button type="submit" label="Keep them" :loading="isBusy" />
      </div>
    </form>
  </OpeningDialog>
</template>

<style scoped>
ul {
  list-style: none;
  display: grid;
  gap: 6px;
  margin: 10px 0;
}
</style>
