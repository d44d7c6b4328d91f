<script setup lang="ts">
/** What changed in entries and nobody here has made: each is right and kept, or ours is put back. */
import { directoryById } from '~~/core/directories/directoryList'
import type { EntryChange, Settlement } from '~~/shared/read/directories'
import { fieldWords, proofWords, saidWords, whenWords } from './directoryWords'

const props = defineProps<{ changes: readonly EntryChange[]; timeZone?: string; isPlain?: boolean }>()
const emit = defineEmits<{ settled: [jobs: number[]] }>()
const session = useSession()
const say = useSay()
const { base } = useClient()
const chosen = ref<number[]>([])
watch(
  () => props.changes,
  (now) => (chosen.value = chosen.value.filter((id) => now.some((change) => change.id === id))),
)
const mayAct = computed(() => session.mayWrite && !props.isPlain)
const COLUMNS = [
  { key: 'what', label: 'Changed', isWords: true, valueOf: ({ place }: EntryChange) => place.name },
  { key: 'was', label: 'From', isWords: true, valueOf: ({ was }: EntryChange) => was },
  { key: 'became', label: 'To', isWords: true, valueOf: ({ became }: EntryChange) => became },
  { key: 'seen', label: 'Seen', isWords: true, valueOf: ({ seenAt }: EntryChange) => seenAt.valueOf() },
]
const when = ({ seenAt }: EntryChange) => whenWords(seenAt, props.timeZone)
/** What putting ours back brings with it. */
const proofOf = ({ directory, field }: EntryChange) =>
  field === 'entry' ? undefined : proofWords([{ directory, field }])
const isBusy = ref(false)

async function settle(changes: number[], what: Settlement) {
  isBusy.value = true
  try {
    const ask = (settlement: Settlement) =>
      api<{ jobs: number[] }>(`${base.value}/directories/changes`, {
        method: 'POST',
        body: { changes, what: settlement },
      })
    const { jobs } = await ask(what)
    const many = changes.length === 1 ? 'The change' : `${changes.length} changes`
    if (what === 'keep')
      say.done(`${many} ${changes.length === 1 ? 'is' : 'are'} kept, in the master record too.`, async () => {
        await ask('open')
        emit('settled', [])
      })
    else say.done('Ours is on its way back.')
    emit('settled', jobs)
  } catch (problem) {
    say.problem(problem)
  } finally {
    isBusy.value = false
  }
}
</script>

<template>
  <div>
    <div v-if="mayAct && changes.length > 1" class="row acts no-print">
      <Button
        :label="`Keep ${chosen.length || ''} chosen`.replace('  ', ' ')"
        size="small"
        outlined
        :disabled="chosen.length === 0 || isBusy"
        @click="settle(chosen, 'keep')"
      />
      <Button
        label="Put ours back in those chosen"
        size="small"
        outlined
        :disabled="chosen.length === 0 || isBusy"
        @click="settle(chosen, 'back')"
      />
    </div>
    <WideContent label="Changes that nobody here has made">
      <OrderedTable
        name="changes"
        :columns="COLUMNS"
        :rows="changes"
        :key-of="({ id }) => id"
        :is-plain="isPlain"
        :end-label="mayAct ? 'What is done about it' : undefined"
      >
        <template #what="{ row }"
          ><label class="row what"
            ><Checkbox
              v-if="mayAct && changes.length > 1"
              v-model="chosen"
              :value="row.id"
              :input-id="`change-${row.id}`"
              :aria-label="`Choose ${fieldWords(row.field)} of ${row.place.name}`"
            /><span
              ><strong>{{ fieldWords(row.field) }}</strong> of {{ row.place.name
              }}<span class="quiet remark">in {{ directoryById(row.directory).name }}</span></span
            ></label
          ></template
        >
        <template #was="{ row }">{{ saidWords(row.field, row.was) }}</template>
        <template #became="{ row }"
          ><strong>{{ saidWords(row.field, row.became) }}</strong></template
        >
        <template #seen="{ row }"
          >{{ when(row)
          }}<span class="quiet remark">{{
            row.changedBy ? `by ${row.changedBy}` : 'it is not said by whom'
          }}</span></template
        >
        <template v-if="mayAct" #end="{ row }"
          ><td>
            <span class="row ends"
              ><Button
                label="Keep it"
                size="small"
                text
                :disabled="isBusy"
                :aria-label="`Keep it: ${fieldWords(row.field)} of ${row.place.name}`"
                @click="settle([row.id], 'keep')" /><Button
                v-if="row.field !== 'entry'"
                label="Put ours back"
                size="small"
                outlined
                :disabled="isBusy"
                :aria-label="`Put ours back: ${fieldWords(row.field)} of ${row.place.name}`"
                @click="settle([row.id], 'back')" /></span
            ><span v-if="proofOf(row)" class="quiet remark ask">Ours may be asked for proof: {{ proofOf(row) }}</span>
          </td></template
        >
      </OrderedTable>
    </WideContent>
  </div>
</template>

<style scoped>
.acts {
  justify-content: flex-end;
}
.what {
  align-items: flex-start;
  gap: 8px;
  flex-wrap: nowrap;
}
.remark {
  display: block;
  font-size: var(--text-small);
}
.ask {
  text-align: right;
}
.ends {
  flex-wrap: nowrap;
  white-space: nowrap;
  justify-content: flex-end;
}
</style>
