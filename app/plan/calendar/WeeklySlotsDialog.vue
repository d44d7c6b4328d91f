<script setup lang="ts">
/** At which times of the week posts of the client go out. */
import { weeklySlotsSchema, type WeeklySlots } from '~~/shared/plan/weeklySlots'
import { rowsOfSlots, slotsOfRows, type SlotRow } from './slotTimes'

const emit = defineEmits<{ close: []; changed: [] }>()
const say = useSay()
const refresh = useRefresh()
const { slug, base } = useClient()
const { data, error } = useQuery({
  key: () => ['plan', slug.value, 'slots'],
  query: () => api<WeeklySlots>(`${base.value}/plan/slots`),
})
const rows = ref<SlotRow[]>()
watch(data, (known) => known && (rows.value ??= rowsOfSlots(known.slots)), { immediate: true })
const { problem, isBusy, attempt } = useAttempt()
const put = (body: object) => api(`${base.value}/plan/slots`, { method: 'PUT', body })
const keep = () =>
  attempt(async () => {
    const before = data.value!.slots
    await put(weeklySlotsSchema.validateSync({ slots: slotsOfRows(rows.value!) }))
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
      <SlotRows v-model="rows" />
      <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
      <Button type="submit" label="Keep them" :loading="isBusy" class="keep" />
    </form>
  </OpeningDialog>
</template>

<style scoped>
.keep {
  margin-top: 10px;
}
</style>
