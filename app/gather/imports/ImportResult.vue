<script setup lang="ts">
import { datasetById, POSTS, PROFILE_DAY } from '~~/core/datasets/datasets'
import { describeDay } from '~~/core/periods/describePeriod'
import type { ImportSummary, BadRow, ImportState } from '~~/shared/gather/imports'

const props = defineProps<{
  summary: ImportSummary
  badRows: BadRow[]
  badRowsAddress: string
  headings: string[]
  state: ImportState
  /** The kind of data that the file holds. */ dataset: string
}>()
const count = (value: number, one: string, many: string) => `${value.toLocaleString()} ${value === 1 ? one : many}`
/** What is counted: of daily figures days, of posts posts, of anything else rows; and whose they are. */
const nouns = computed((): { row: [string, string]; owner: [string, string] } => {
  const dataset = datasetById(props.dataset)
  return {
    row: dataset === PROFILE_DAY ? ['day', 'days'] : dataset === POSTS ? ['post', 'posts'] : ['row', 'rows'],
    owner: dataset.keys.some(({ type }) => type === 'site') ? ['site', 'sites'] : ['profile', 'profiles'],
  }
})
const lines = computed(() => {
  const { good, added, changed, same, totals, bad, rows, from, to, profiles, openLine } = props.summary
  const tense = props.state === 'applied' ? ['added', 'changed'] : ['would be added', 'would be changed']
  return [
    `${count(rows, 'row', 'rows')} ` +
      `read${from ? `, ${describeDay(from)} to ${describeDay(to!)}, ${count(profiles, ...nouns.value.owner)}` : ''}.`,
    good > 0
      ? `${count(added, ...nouns.value.row)} ${tense[0]}, ${changed.toLocaleString()} ${tense[1]}, ` +
        `${same.toLocaleString()} the same as what is there.`
      : 'No row can be written.',
    ...(totals > 0 ? [`${count(totals, 'row of totals was', 'rows of totals were')} left out.`] : []),
    ...(openLine
      ? [
          `The file ends in row ${openLine} without a line break. If it was cut off there, that row’s last ` +
            'cell is not whole: compare it with the original.',
        ]
      : []),
    ...(bad > 0
      ? [`${count(bad, 'row', 'rows')} cannot be read and ${bad === 1 ? 'is' : 'are'} left out; below is why.`]
      : []),
  ]
})
const BAD_ROWS = [
  { key: 'line', label: 'Line', valueOf: ({ line }: BadRow) => line },
  { key: 'reason', label: 'What is wrong', isWords: true, valueOf: ({ reason }: BadRow) => reason },
  {
    key: 'row',
    label: 'Row',
    isWords: true,
    isQuiet: true,
    valueOf: ({ cells }: BadRow) => cells.join(' · ').slice(0, 120),
  },
]
</script>

<template>
  <section aria-label="What the file would do" aria-live="polite">
    <p v-for="line in lines" :key="line">{{ line }}</p>
    <template v-if="badRows.length > 0">
      <div class="row head">
        <h2 class="heading">Bad rows</h2>
        <a :href="badRowsAddress" download>Download to mend and bring back</a>
      </div>
      <OrderedTable name="bad" :columns="BAD_ROWS" :rows="badRows" :key-of="({ line }) => line" />
      <p v-if="summary.bad > badRows.length" class="quiet">
        The first {{ badRows.length }} of {{ summary.bad.toLocaleString() }}.
      </p>
    </template>
  </section>
</template>

<style scoped>
section {
  margin-bottom: 12px;
}
.head {
  justify-content: space-between;
  margin: 12px 0 2px;
}
</style>
