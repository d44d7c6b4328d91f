<script setup lang="ts">
/** What formats each member uses, and how each does for it. */
import { formatCount, formatShare } from '~~/core/format/numbers'
import type { FormatHabit } from '~~/core/habits/formatHabits'
import type { HabitsView } from '~~/shared/compare/habits'
import { standsWords, timesWords } from './habitsWords'

const props = defineProps<{ habits: HabitsView; isPlain?: boolean }>()
const locale = useLocale()
const of = ({ members }: FormatHabit, member: number) => members.find((own) => own.member === member)
const COLUMNS = computed(() => [
  { key: 'format', label: 'Format', isWords: true, valueOf: ({ format }: FormatHabit) => format },
  {
    key: 'posts',
    label: 'Posts',
    valueOf: ({ posts }: FormatHabit) => posts,
    textOf: ({ posts }: FormatHabit) => formatCount(posts, locale),
  },
  ...props.habits.members.map(({ id, name }) => ({
    key: `member-${id}`,
    label: name,
    valueOf: (row: FormatHabit) => of(row, id)?.share ?? 0,
  })),
  {
    key: 'rivals',
    label: 'The middle rival',
    valueOf: ({ rivalsShare }: FormatHabit) => rivalsShare ?? -1,
    textOf: ({ rivalsShare }: FormatHabit) => (rivalsShare === undefined ? '—' : formatShare(rivalsShare, locale)),
  },
])
</script>

<template>
  <div>
    <WideContent label="What formats the field uses">
      <OrderedTable
        name="formats"
        :columns="COLUMNS"
        :rows="habits.formats"
        :key-of="({ format }) => format"
        :is-plain="isPlain"
      >
        <template v-for="{ id } in habits.members" :key="id" #[`member-${id}`]="{ row }"
          ><template v-if="of(row, id)"
            >{{ formatShare(of(row, id)!.share, locale) }}
            <span class="remark"
              ><template v-if="of(row, id)!.times"
                >{{ timesWords(of(row, id)!.times, locale) }}
                <strong v-if="of(row, id)!.stands">{{ standsWords(of(row, id)!) }}</strong></template
              ><template v-else>{{ standsWords(of(row, id)!) }}</template></span
            ></template
          ><template v-else>—</template></template
        >
      </OrderedTable>
    </WideContent>
    <p class="quiet small">
      The share of a member’s posts of this period, and below it how they did: the middle of how many times what is
      usual of its own profiles they brought, with the interval that holds it in at least nine of ten cases.
    </p>
  </div>
</template>

<style scoped>
.small,
.remark {
  font-size: var(--text-small);
}
.remark {
  display: block;
  color: var(--ink2);
}
</style>
