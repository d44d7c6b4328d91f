<script setup lang="ts">
/** What is not known yet: tries that would tell, those that are kept, and what came of them. */
import { slotMoment } from './slotMoment'
import { formatShare, formatSignedShare } from '~~/core/format/numbers'
import { slotName } from '~~/core/times/slots'
import type { PlannedTry } from '~~/core/times/planTries'
import { MOST_PLANNED, type TimesQuery, type TimesTry, type TimesView } from '~~/shared/read/times'

const props = defineProps<{ view: TimesView; asked: Partial<Record<keyof TimesQuery, string>>; wanted: number }>()
const emit = defineEmits<{ wanted: [tries: number] }>()
const locale = useLocale()
const session = useSession()
const say = useSay()
const refreshAll = useRefresh()
const { slug, base } = useClient()
const { address } = useScope()
const refresh = () => refreshAll('times')
const remove = useRemoval(refresh)
const profile = ref<number>()
const chosenProfile = computed(
  () => props.view.profiles.find(({ id }) => id === profile.value)?.id ?? props.view.profiles[0]?.id,
)
const isKeeping = ref(false)
async function keep() {
  isKeeping.value = true
  try {
    const { ids } = await api<{ ids: number[] }>(`${base.value}/times/tries`, {
      method: 'POST',
      query: address.value,
      body: { ...props.asked, profile: chosenProfile.value },
    })
    await refresh()
    say.done(ids.length === 1 ? 'One try is kept.' : `${ids.length} tries are kept.`, async () => {
      for (const id of ids) await api(`${base.value}/times/tries/${id}`, { method: 'DELETE' })
      await refresh()
    })
  } catch (problem) {
    say.problem(problem)
  } finally {
    isKeeping.value = false
  }
}
const when = (at: number | Date) => slotMoment(at, { zone: props.view.zone, locale, withWeekday: true })
const width = (share: number) => `± ${formatShare(share, locale)}`
const between = ({ low, high }: { low: number; high: number }) =>
  `${formatSignedShare(low, locale, 'down')} to ${formatSignedShare(high, locale, 'up')}`
const PLANNED = [
  {
    key: 'at',
    label: 'When',
    isWords: true,
    valueOf: ({ at }: PlannedTry) => at,
    textOf: ({ at }: PlannedTry) => when(at),
  },
  { key: 'posts', label: 'Posts so far', isFigure: true, valueOf: ({ posts }: PlannedTry) => posts },
  {
    key: 'now',
    label: 'Sure within',
    isFigure: true,
    valueOf: ({ now }: PlannedTry) => now,
    textOf: ({ now }: PlannedTry) => width(now),
  },
  {
    key: 'after',
    label: 'After the try',
    isFigure: true,
    valueOf: ({ after }: PlannedTry) => after,
    textOf: ({ after }: PlannedTry) => width(after),
  },
]
function outcome(each: TimesTry): string {
  if (!each.post) return each.isAhead ? 'still to come' : 'nothing was published then'
  if (!each.now) return 'published; kept for another response'
  if (each.post.beside === undefined) return 'published; judged once it is a week old, unpaid and counted'
  return `came out at ${formatSignedShare(each.post.beside, locale)}`
}
const KEPT = [
  {
    key: 'at',
    label: 'When',
    isWords: true,
    valueOf: ({ plannedAt }: TimesTry) => plannedAt.getTime(),
    textOf: ({ plannedAt }: TimesTry) => when(plannedAt),
  },
  { key: 'who', label: 'Who', isWords: true, valueOf: ({ profileName }: TimesTry) => profileName },
  {
    key: 'before',
    label: 'Thought before',
    isFigure: true,
    valueOf: ({ before }: TimesTry) => before.low,
    textOf: ({ before }: TimesTry) => between(before),
  },
  { key: 'outcome', label: 'What came', isWords: true, valueOf: outcome },
  {
    key: 'now',
    label: 'Thought now',
    isFigure: true,
    valueOf: ({ now }: TimesTry) => now?.low ?? -9,
    textOf: ({ now }: TimesTry) => (now ? between(now) : '—'),
  },
]
const COUNTS = [3, 6, 9, 12, MOST_PLANNED].map((count) => ({ value: count, name: `${count} tries` }))
</script>

<template>
  <section aria-labelledby="tries-heading">
    <h2 id="tries-heading" class="heading">Not known yet</h2>
    <p class="quiet">
      Slots in which the audience is and of which least is known, weekdays in turn. Each further post narrows what is
      thought of its slot.
    </p>
    <div v-if="session.mayWrite" class="row no-print">
      <Select
        :model-value="wanted"
        :options="
          COUNTS.some(({ value }) => value === wanted)
            ? COUNTS
            : [{ value: wanted, name: `${wanted} tries` }, ...COUNTS]
        "
        option-label="name"
        option-value="value"
        size="small"
        aria-label="How many tries"
        @update:model-value="(tries) => emit('wanted', tries)"
      />
      <Select
        v-if="view.profiles.length > 1"
        :model-value="chosenProfile"
        :options="view.profiles"
        option-label="name"
        option-value="id"
        size="small"
        aria-label="Who posts them"
        @update:model-value="(id) => (profile = id)"
      />
      <Button
        v-if="view.planned.length"
        :label="view.planned.length === 1 ? 'Keep this try' : `Keep these ${view.planned.length} tries`"
        size="small"
        outlined
        :loading="isKeeping"
        @click="keep"
      />
    </div>
    <p v-if="view.planned.length === 0" class="quiet">There is no room for another try within eight weeks.</p>
    <WideContent v-else label="Tries that would tell">
      <OrderedTable name="planned" :columns="PLANNED" :rows="view.planned" :key-of="({ at }) => at" />
    </WideContent>
    <template v-if="view.tries.length">
      <h3 class="heading kept">Tries that are kept</h3>
      <WideContent label="Tries that are kept">
        <OrderedTable
          name="kept"
          :columns="KEPT"
          :rows="view.tries"
          :key-of="({ id }) => id"
          :end-label="session.mayWrite ? 'Remove' : undefined"
        >
          <template #outcome="{ row }"
            ><NuxtLink v-if="row.post" :to="`/${slug}/content/${row.profile}/${row.post.id}`">{{
              outcome(row)
            }}</NuxtLink
            ><template v-else>{{ outcome(row) }}</template></template
          >
          <template v-if="session.mayWrite" #end="{ row }"
            ><td>
              <Button
                label="Remove"
                text
                size="small"
                :aria-label="`Remove the try of ${slotName(row.slot)}, ${when(row.plannedAt)}`"
                @click="remove(`${base}/times/tries/${row.id}`, 'The try is removed.')"
              /></td
          ></template>
        </OrderedTable>
      </WideContent>
    </template>
  </section>
</template>

<style scoped>
.kept {
  margin-top: 12px;
}
</style>
