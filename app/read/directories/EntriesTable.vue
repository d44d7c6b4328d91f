<script setup lang="ts">
/** The entries of a place field by field beside its master record; what differs can be chosen and sent. */
import { formatShare } from '~~/core/format/numbers'
import { ENTRY_FIELDS, type EntryField } from '~~/core/directories/entryFields'
import type { PlaceEntries, PlaceEntry } from '~~/shared/read/directories'
import { fieldWords, saidWords } from './directoryWords'

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
        <template v-for="entry in shown" :key="entry.id" #[`entry-${entry.id}`]="{ row }">
          <EntryCell
            v-if="told(entry, row.field)"
            v-model="chosen"
            :entry="entry.id"
            :name="headOf(entry)"
            :told="told(entry, row.field)!"
            :correction="entry.corrections.find(({ field }) => field === row.field)"
            :may-act="mayAct"
          />
          <span v-else class="quiet small">not carried</span>
        </template>
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
.small {
  font-size: var(--text-small);
}
.said {
  overflow-wrap: anywhere;
}
ul {
  margin: 6px 0;
  padding: 0;
  list-style: none;
}
</style>
