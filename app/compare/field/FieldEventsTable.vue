<script setup lang="ts">
/** An event through the field: each profile's posts around its days, year beside year. */
import { formatCount, oneDecimal } from '~~/core/format/numbers'
import { describeDay } from '~~/core/periods/describePeriod'
import type { EventPart, FieldEvents } from '~~/shared/compare/fieldEvents'

const props = defineProps<{ events: FieldEvents; isPlain?: boolean }>()
type Row = FieldEvents['rows'][number]
const locale = useLocale()
const partOf = ({ parts }: Row, on: string): EventPart => parts.find((part) => part.on === on)!
const each = ({ interactions, counted }: EventPart) => (interactions === undefined ? undefined : interactions / counted)
const remark = ({ known, of }: EventPart) => (known > 0 && known < of ? `${known} of ${of} days known` : '')
/** Rows of those first who posted most; who has nothing to do with it comes last. */
const rows = computed(() => {
  const posts = ({ parts }: Row) => parts.reduce((sum, part) => sum + part.posts, 0)
  return [...props.events.rows].sort((a, b) => posts(b) - posts(a) || a.name.localeCompare(b.name))
})
const columns = computed(() => [
  { key: 'member', label: 'Member', isWords: true, valueOf: ({ name }: Row) => name },
  {
    key: 'network',
    label: 'Profile',
    isWords: true,
    valueOf: ({ networkName, profileName }: Row) => `${networkName}, ${profileName}`,
  },
  ...props.events.days.flatMap((on) => [
    {
      key: `posts-${on}`,
      label: `Posts, ${describeDay(on)}`,
      isFigure: true,
      valueOf: (row: Row) => partOf(row, on).posts,
      textOf: (row: Row) => (partOf(row, on).known === 0 ? 'not known' : formatCount(partOf(row, on).posts, locale)),
    },
    {
      key: `sum-${on}`,
      label: 'Interactions',
      isFigure: true,
      valueOf: (row: Row) => partOf(row, on).interactions ?? -1,
      textOf: (row: Row) => {
        const { interactions } = partOf(row, on)
        return interactions === undefined ? '—' : formatCount(interactions, locale)
      },
    },
    {
      key: `each-${on}`,
      label: 'For each post',
      isFigure: true,
      valueOf: (row: Row) => each(partOf(row, on)) ?? -1,
      textOf: (row: Row) => {
        const value = each(partOf(row, on))
        return value === undefined ? '—' : oneDecimal(value, locale)
      },
    },
  ]),
])
const partly = computed(() =>
  rows.value.flatMap((row) =>
    row.parts.flatMap((part) =>
      remark(part) ? [`${row.profileName} on ${row.networkName}, ${describeDay(part.on)}: ${remark(part)}`] : [],
    ),
  ),
)
</script>

<template>
  <p v-if="!events.tag" class="quiet">
    Choose a tag, and the days on which its event was: this year’s, and the years’ before. Rules tag rivals’ posts too.
  </p>
  <p v-else-if="events.days.length === 0" class="quiet">Choose the days on which it was.</p>
  <div v-else>
    <WideContent :label="`“${events.tag.name}” through the field`">
      <OrderedTable
        name="events"
        :columns="columns"
        :rows="rows"
        :key-of="({ profile }) => profile"
        :is-plain="isPlain"
        :most="isPlain ? undefined : 12"
      >
        <template #member="{ row }"
          ><strong :class="{ own: row.isOwn }">{{ row.name }}</strong></template
        >
      </OrderedTable>
    </WideContent>
    <p class="quiet small">
      Posts with the tag from {{ events.before }} days before to {{ events.after }} after, with what everybody can see
      of them. By the event and by the post, those who post in other rhythms can be compared.
      <template v-if="partly.length">Known in part: {{ partly.join('; ') }}.</template>
    </p>
  </div>
</template>

<style scoped>
.own {
  color: var(--zaffer);
}
.small {
  font-size: var(--text-small);
}
</style>
