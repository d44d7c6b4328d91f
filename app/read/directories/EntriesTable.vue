<script setup lang="ts">
/** The entries of a place field by field beside its master record; what differs can be chosen and sent. */
import { formatShare } from '~~/core/format/numbers'
import { ENTRY_FIELDS, type EntryField } from '~~/core/directories/entryFields'
import type { PlaceEntries, PlaceEntry } from '~~/shared/read/directories'
import { correctionWords, fieldWords, saidWords } from './directoryWords'

const props = defineProps<{ view: PlaceEntries; isPlain?: boolean }>()
const chosen = defineModel<string[]>({ default: () => [] })
const emit = defineEmits<{ ours: [entry: number, isOurs: boolean] }>()
const session = useSession()
const locale = useLocale()
const shown = computed(() => props.view.entries.filter(({ isOurs, isGone }) => isOurs && !isGone))
const left = computed(() => props.view.entries.filter(({ isOurs }) => !isOurs))
interface Row {
  field: EntryField
  weight: number
}
const rows: Row[] = ENTRY_FIELDS.map(({ id, weight }) => ({ field: id, weight }))
const told = (entry: PlaceEntry, field: EntryField) => entry.fields.find((each) => each.field === field)
const ours = (field: EntryField) =>
  shown.value.flatMap((entry) => told(entry, field)?.ours ?? []).find((text) => text !== '') ?? ''
const MARKS = { same: '✓', differs: '≠', missing: '', extra: '+', silent: '' } as const
const VERDICTS = { same: 'the same', differs: 'differs', missing: 'missing', extra: 'only there', silent: '' } as const
const correctionOf = (entry: PlaceEntry, field: EntryField) =>
  entry.corrections.find((correction) => correction.field === field && told(entry, field)?.is !== 'same')
/** What can be sent: what the record says and the entry does not, and is not on its way. */
const isOpen = (entry: PlaceEntry, field: EntryField) =>
  ['differs', 'missing'].includes(told(entry, field)?.is ?? '') &&
  !['waiting', 'sent'].includes(correctionOf(entry, field)?.state ?? '')
/** Nothing else that came from outside becomes a link. */
const isAddress = (address: string) => /^https?:\/\//i.test(address)
const mayAct = computed(() => session.mayWrite && !props.isPlain)
const COLUMNS = computed(() => [
  { key: 'field', label: 'Field', isWords: true, valueOf: ({ weight }: Row) => -weight },
  { key: 'ours', label: 'Master record', isWords: true, valueOf: ({ field }: Row) => ours(field) },
  ...shown.value.map((entry) => ({
    key: `entry-${entry.id}`,
    label: headOf(entry),
    isWords: true,
    valueOf: ({ field }: Row) => told(entry, field)?.is ?? '',
  })),
])
/** Two entries of one directory are told apart by their number there. */
function headOf(entry: PlaceEntry): string {
  const same = shown.value.filter(({ directory }) => directory === entry.directory)
  return same.length > 1 ? `${entry.name} ${same.indexOf(entry) + 1} of ${same.length}` : entry.name
}
</script>

<template>
  <div>
    <WideContent label="Entries field by field">
      <OrderedTable name="fields" :columns="COLUMNS" :rows="rows" :key-of="({ field }) => field" :is-plain="isPlain">
        <template #field="{ row }"
          >{{ fieldWords(row.field) }} <span class="quiet small">weighs {{ row.weight }}</span></template
        >
        <template #ours="{ row }"
          ><span class="said">{{ saidWords(row.field, ours(row.field)) }}</span></template
        >
        <template v-for="entry in shown" :key="entry.id" #[`entry-${entry.id}`]="{ row }"
          ><template v-if="told(entry, row.field)"
            ><label class="cell"
              ><Checkbox
                v-if="mayAct && isOpen(entry, row.field)"
                v-model="chosen"
                :value="`${entry.id} ${row.field}`"
                :input-id="`send-${entry.id}-${row.field}`"
                :aria-label="`Send ours: ${fieldWords(row.field)} to ${headOf(entry)}`"
              /><span
                ><span class="mark" :class="told(entry, row.field)!.is" aria-hidden="true">{{
                  MARKS[told(entry, row.field)!.is]
                }}</span
                ><span class="hidden-but-read">{{ VERDICTS[told(entry, row.field)!.is] }}</span
                ><template v-if="['differs', 'extra'].includes(told(entry, row.field)!.is)"
                  ><span class="said">{{ saidWords(row.field, told(entry, row.field)!.theirs) }}</span></template
                ><span v-else-if="told(entry, row.field)!.is === 'missing'" class="quiet">missing</span
                ><span v-if="told(entry, row.field)!.how" class="quiet remark">{{ told(entry, row.field)!.how }}</span
                ><span v-if="correctionOf(entry, row.field)" class="remark state">{{
                  correctionWords(correctionOf(entry, row.field)!)
                }}</span></span
              ></label
            ></template
          ><span v-else class="quiet small">not carried</span></template
        >
      </OrderedTable>
    </WideContent>
    <ul class="small">
      <li v-for="entry in shown" :key="entry.id">
        {{ headOf(entry) }}:
        <template v-if="entry.agreement !== undefined"
          >{{ formatShare(entry.agreement, locale) }} agree, {{ formatShare(entry.completeness!, locale) }} complete.
        </template>
        <a v-if="!isPlain && isAddress(entry.address)" :href="entry.address" rel="noreferrer" target="_blank"
          >Open the entry</a
        >
        <Button
          v-if="mayAct"
          label="None of ours"
          size="small"
          text
          :aria-label="`${headOf(entry)} is none of ours`"
          @click="emit('ours', entry.id, false)"
        />
      </li>
      <li v-for="entry in left" :key="entry.id" class="quiet">
        {{ entry.name }}: somebody has said that entry is none of the client’s.
        <Button v-if="mayAct" label="It is ours" size="small" text @click="emit('ours', entry.id, true)" />
      </li>
    </ul>
  </div>
</template>

<style scoped>
.small,
.remark {
  font-size: var(--text-small);
}
.remark {
  display: block;
}
.state {
  color: var(--ink2);
  font-weight: 550;
}
.cell {
  display: flex;
  gap: 6px;
  align-items: flex-start;
}
.said {
  overflow-wrap: anywhere;
}
.mark {
  margin-right: 4px;
}
.mark.differs {
  color: var(--worse);
  font-weight: 650;
}
.mark.same {
  color: var(--ink3);
}
ul {
  margin: 6px 0;
  padding: 0;
  list-style: none;
}
</style>
