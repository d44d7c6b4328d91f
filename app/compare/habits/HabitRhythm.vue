<script setup lang="ts">
/** How often each member posts, on which weekdays, and how long it was silent. */
import { formatCount, oneDecimal } from '~~/core/format/numbers'
import type { MemberRhythm } from '~~/core/habits/postingHabits'
import { describeDay, describePeriodShort } from '~~/core/periods/describePeriod'
import { WEEKDAYS } from '~~/core/times/slots'
import type { HabitsView } from '~~/shared/compare/habits'
import { memberName } from './habitsWords'

const props = defineProps<{ habits: HabitsView; isPlain?: boolean }>()
const locale = useLocale()
const most = ({ weekdays }: MemberRhythm) => Math.max(...weekdays)
const COLUMNS = computed(() => [
  { key: 'member', label: 'Member', isWords: true, valueOf: ({ member }: MemberRhythm) => nameOf(member) },
  {
    key: 'now',
    label: 'A week',
    valueOf: ({ rhythm }: MemberRhythm) => rhythm.perWeek,
    textOf: ({ rhythm }: MemberRhythm) => oneDecimal(rhythm.perWeek, locale),
  },
  {
    key: 'before',
    label: 'Before',
    isQuiet: true,
    valueOf: ({ rhythm }: MemberRhythm) => rhythm.before,
    textOf: ({ rhythm }: MemberRhythm) => oneDecimal(rhythm.before, locale),
  },
  ...WEEKDAYS.map((name, index) => ({
    key: name.toLowerCase(),
    label: name.slice(0, 3),
    valueOf: ({ weekdays }: MemberRhythm) => weekdays[index]!,
  })),
  {
    key: 'all',
    label: 'In 52 weeks',
    valueOf: ({ posts }: MemberRhythm) => posts,
    textOf: ({ posts }: MemberRhythm) => formatCount(posts, locale),
  },
  {
    key: 'last',
    label: 'Last post',
    valueOf: ({ rhythm }: MemberRhythm) => rhythm.last,
    textOf: ({ rhythm }: MemberRhythm) => describeDay(rhythm.last),
  },
  {
    key: 'silence',
    label: 'Longest silence',
    valueOf: ({ rhythm }: MemberRhythm) => rhythm.longest?.days ?? 0,
  },
])
const nameOf = (member: number) => memberName(props.habits.members, member)
</script>

<template>
  <div>
    <WideContent label="How often and when the field posts">
      <OrderedTable
        name="rhythm"
        :columns="COLUMNS"
        :rows="habits.rhythm"
        :key-of="({ member }) => member"
        :is-plain="isPlain"
      >
        <template v-for="(name, index) in WEEKDAYS" :key="name" #[name.toLowerCase()]="{ row }"
          ><strong v-if="row.weekdays[index] === most(row)">{{ row.weekdays[index] }}</strong
          ><template v-else>{{ row.weekdays[index] }}</template></template
        >
        <template #silence="{ row }"
          ><template v-if="row.rhythm.longest"
            >{{ row.rhythm.longest.days }} {{ row.rhythm.longest.days === 1 ? 'day' : 'days' }}
            <span class="quiet remark">{{ describePeriodShort(row.rhythm.longest) }}</span></template
          ><template v-else>none</template></template
        >
      </OrderedTable>
    </WideContent>
    <p class="quiet small">
      Posts by weekday over the 52 weeks to {{ describeDay(habits.year.to) }}, the weekday with most in bold; a week:
      over the last 28 days, and over the 28 before.
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
}
</style>
