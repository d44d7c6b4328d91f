<script setup lang="ts">
/** The hashtags or words of the field: who uses them, and how posts with them did. */
import { formatCount } from '~~/core/format/numbers'
import type { TermHabit } from '~~/core/habits/termHabits'
import type { HabitsView } from '~~/shared/compare/habits'
import { standsWords, timesWords, usersWords } from './habitsWords'

const props = defineProps<{ habits: HabitsView; sign: string; chosen?: string; isPlain?: boolean }>()
const emit = defineEmits<{ choose: [term: string] }>()
const locale = useLocale()
const COLUMNS = computed(() => [
  { key: 'term', label: props.sign ? 'Hashtag' : 'Word', isWords: true, valueOf: ({ term }: TermHabit) => term },
  {
    key: 'posts',
    label: 'Posts',
    valueOf: ({ posts }: TermHabit) => posts,
    textOf: ({ posts }: TermHabit) => formatCount(posts, locale),
  },
  {
    key: 'users',
    label: 'Used by',
    isWords: true,
    valueOf: ({ users }: TermHabit) => users.length,
    textOf: ({ users }: TermHabit) => usersWords(users, props.habits.members),
  },
  {
    key: 'times',
    label: 'Times usual',
    // by the near end: what is surely above usual comes first
    valueOf: ({ times }: TermHabit) => times?.low ?? -1,
    textOf: ({ times }: TermHabit) => timesWords(times, locale),
  },
  {
    key: 'judged',
    label: 'Judged',
    isQuiet: true,
    valueOf: ({ times }: TermHabit) => times?.posts ?? 0,
    textOf: ({ times }: TermHabit) => (times ? formatCount(times.posts, locale) : '—'),
  },
  {
    key: 'stands',
    label: 'Stands',
    isWords: true,
    valueOf: (row: TermHabit) => standsWords(row),
  },
])
</script>

<template>
  <WideContent :label="sign ? 'Hashtags of the field' : 'Words of the field'">
    <OrderedTable
      name="terms-order"
      :columns="COLUMNS"
      :rows="habits.terms"
      :most="20"
      :key-of="({ term }) => term"
      :is-plain="isPlain"
    >
      <template #term="{ row }"
        ><template v-if="isPlain">{{ sign }}{{ row.term }}</template
        ><button
          v-else
          type="button"
          class="bare as-link"
          :aria-pressed="row.term === chosen"
          @click="emit('choose', row.term)"
        >
          {{ sign }}{{ row.term }}
        </button></template
      >
      <template #times="{ row }"
        ><span class="figure">{{ timesWords(row.times, locale) }}</span></template
      >
      <template #stands="{ row }"
        ><strong v-if="row.stands">{{ standsWords(row) }}</strong
        ><span v-else class="quiet">{{ standsWords(row) }}</span></template
      >
    </OrderedTable>
  </WideContent>
</template>

<style scoped>
.figure {
  white-space: nowrap;
}
</style>
