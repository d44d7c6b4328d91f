<script setup lang="ts">
/** Every place by every directory: how much of its entry agrees with the master record. */
import { formatShare } from '~~/core/format/numbers'
import type { DirectoriesView, DirectoryRow } from '~~/shared/read/directories'
import { cellRemark, cellWords } from './directoryWords'

const props = defineProps<{ view: DirectoriesView; isPlain?: boolean; chosen?: number }>()
const emit = defineEmits<{ choose: [id: number] }>()
const locale = useLocale()
const cellOf = ({ cells }: DirectoryRow, directory: string) => cells.find((cell) => cell.directory === directory)!
/** Missing ones first where it is ordered by a directory. */
const orderOf = (row: DirectoryRow, directory: string) => {
  const { is, agreement } = cellOf(row, directory)
  return is === 'not seen' ? -2 : is === 'missing' ? -1 : (agreement ?? 0)
}
const COLUMNS = computed(() => [
  { key: 'place', label: 'Place', isWords: true, valueOf: ({ place }: DirectoryRow) => place.name },
  ...props.view.directories.map(({ directory, name }) => ({
    key: directory,
    label: name,
    valueOf: (row: DirectoryRow) => orderOf(row, directory),
  })),
])
const summaries = computed(() =>
  props.view.directories.map(({ name, agreement, completeness, missing, doubled, problem }) => {
    const parts = [
      agreement === undefined
        ? 'not seen yet'
        : `${formatShare(agreement, locale)} agree, ${formatShare(completeness!, locale)} complete`,
      missing > 0 ? `${missing} missing` : '',
      doubled > 0 ? `${doubled} doubled` : '',
      problem,
    ]
    return { name, words: parts.filter(Boolean).join(', ') }
  }),
)
</script>

<template>
  <div>
    <WideContent label="Entries beside the master records">
      <OrderedTable
        name="entries"
        :columns="COLUMNS"
        :rows="view.rows"
        :key-of="({ place }) => place.id"
        :is-plain="isPlain"
      >
        <template #place="{ row }"
          ><strong v-if="isPlain">{{ row.place.name }}</strong
          ><button
            v-else
            type="button"
            class="bare as-link"
            :aria-pressed="row.place.id === chosen"
            @click="emit('choose', row.place.id)"
          >
            {{ row.place.name }}</button
          ><span class="quiet remark">{{ row.place.town }}</span></template
        >
        <template v-for="{ directory } in view.directories" :key="directory" #[directory]="{ row }"
          ><span :class="{ worse: cellOf(row, directory).is === 'missing' }">{{
            cellWords(cellOf(row, directory), locale)
          }}</span
          ><span class="quiet remark">{{ cellRemark(cellOf(row, directory)) }}</span></template
        >
      </OrderedTable>
    </WideContent>
    <ul class="quiet small">
      <li v-for="{ name, words } in summaries" :key="name">{{ name }}: {{ words }}.</li>
    </ul>
    <p class="quiet small">
      The share of what the master record says, by weight, that the entry says in the same meaning: telephone numbers by
      E.164, hours by when they open, addresses by their parts, names by their likeness. A missing entry counts as
      nothing in the means.
    </p>
  </div>
</template>

<style scoped>
.remark {
  display: block;
  font-size: var(--text-small);
}
.small {
  font-size: var(--text-small);
  margin: 6px 0;
}
ul {
  padding: 0;
  list-style: none;
}
</style>
