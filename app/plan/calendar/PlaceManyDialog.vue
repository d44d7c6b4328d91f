<script setup lang="ts">
/** Many posts put on free slots: where each would go is seen before it is done. */
import { describeDay } from '~~/core/periods/describePeriod'
import type { PlacedMany } from '~~/shared/plan/weeklySlots'

const props = defineProps<{ ids: readonly number[] }>()
const emit = defineEmits<{ close: []; changed: [] }>()
const say = useSay()
const refresh = useRefresh()
const { base } = useClient()
const form = reactive<{ by: 'own' | 'suggested'; apart: string }>({ by: 'own', apart: '4' })
const preview = ref<PlacedMany>()
const { problem, isBusy, attempt } = useAttempt()
const BY = [
  { id: 'own', name: 'the weekly slots' },
  { id: 'suggested', name: 'the suggested slots' },
]
const send = (isTaken: boolean) =>
  api<PlacedMany>(`${base.value}/plan/posts/place`, {
    method: 'POST',
    body: { ids: props.ids, by: form.by, apart: form.apart.trim().replace(',', '.'), isTaken },
  })
/** Of several looks the last one counts. */
let looks = 0
async function look() {
  const mine = ++looks
  preview.value = undefined
  await attempt(async () => {
    const answer = await send(false)
    if (mine === looks) preview.value = answer
  })
}
const place = () =>
  attempt(async () => {
    const times = (await send(true)).placed.map(({ id, before }) => ({ id, at: before }))
    emit('changed')
    emit('close')
    say.done(
      `${times.length} ${times.length === 1 ? 'post has' : 'posts have'} a time.`,
      times.length === 0
        ? undefined
        : async () => {
            await api(`${base.value}/plan/posts/times`, { method: 'POST', body: { times } })
            // the dialog is gone by then, and asks nobody any more
            await refresh('plan')
          },
    )
  })
onMounted(look)
// what is asked otherwise is looked at anew
watch(form, look)
type Row = PlacedMany['placed'][number]
const COLUMNS = [
  { key: 'post', label: 'Post', isWords: true, valueOf: ({ text }: Row) => text || 'Without a text' },
  { key: 'now', label: 'Now', isWords: true, valueOf: ({ before }: Row) => when(before) },
  { key: 'then', label: 'Then', isWords: true, valueOf: ({ at }: Row) => at },
]
const when = (at: string) => (at === '' ? 'no time' : `${describeDay(at.slice(0, 10))}, ${at.slice(11)}`)
</script>

<template>
  <OpeningDialog label="Place on free slots" width="40rem" @close="emit('close')">
    <form class="row" novalidate @submit.prevent="place">
      <label for="place-by">Put {{ ids.length }} {{ ids.length === 1 ? 'post' : 'posts' }} on</label>
      <Select
        v-model="form.by"
        input-id="place-by"
        :options="BY"
        option-label="name"
        option-value="id"
        size="small"
        aria-label="On which slots"
      />
      <label for="place-apart">at least so many hours from any other</label>
      <InputText
        id="place-apart"
        :model-value="form.apart"
        size="small"
        inputmode="decimal"
        class="short"
        @change="form.apart = ($event.target as HTMLInputElement).value"
      />
    </form>
    <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
    <div v-if="preview" aria-live="polite">
      <OrderedTable name="placed" :columns="COLUMNS" :rows="preview.placed" :key-of="({ id }) => id" is-plain>
        <template #then="{ row }"
          ><b>{{ when(row.at) }}</b></template
        >
      </OrderedTable>
      <p v-if="preview.left.length">
        For {{ preview.left.length }} there is no free slot within a year; they stay as they are.
      </p>
      <Button
        v-if="preview.placed.length"
        :label="`Place ${preview.placed.length} ${preview.placed.length === 1 ? 'post' : 'posts'}`"
        :loading="isBusy"
        @click="place"
      />
    </div>
  </OpeningDialog>
</template>

<style scoped>
.row {
  flex-wrap: wrap;
  margin-bottom: 10px;
}
.short {
  width: 4rem;
}
</style>
