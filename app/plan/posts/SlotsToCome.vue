<script setup lang="ts">
/** The suggested slots of the week of a day, and of the one after it, to be taken for a post. */
import { addDays, isDay } from '~~/core/days/day'
import { formatSignedShare } from '~~/core/format/numbers'
import { hourName } from '~~/core/times/slots'
import type { CalendarSlot, CalendarView } from '~~/shared/plan/postCalendar'

const props = defineProps<{ day: string }>()
const emit = defineEmits<{ take: [at: string] }>()
const locale = useLocale()
const { slug, base } = useClient()
const on = computed(() => (isDay(props.day) ? props.day : ''))
const week = (day: () => string) =>
  useQuery({
    key: () => ['calendar', slug.value, 'slots', day()],
    query: () => api<CalendarView>(`${base.value}/calendar`, { query: day() ? { on: day() } : {} }),
  })
const { data: first, error } = week(() => on.value)
const { data: next } = week(() => (first.value ? addDays(first.value.period.from, 7) : on.value))
const why = ({ by, lift }: CalendarSlot) =>
  by === 'posts' && lift ? formatSignedShare(lift.value, locale) : 'the audience is there'
const slots = computed(() =>
  [
    ...(first.value?.slots ?? []),
    ...(next.value && next.value.period.from !== first.value?.period.from ? next.value.slots : []),
  ].map((slot) => ({ at: `${slot.day}T${hourName(slot.hour)}`, lead: `${slot.number}.`, remark: why(slot) })),
)
</script>

<template>
  <section>
    <h2>Suggested slots</h2>
    <p v-if="error" class="quiet">{{ error.message }}</p>
    <p v-else-if="first && slots.length === 0" class="quiet">None is suggested in these two weeks.</p>
    <SlotLinks :slots="slots" @take="(at) => emit('take', at)" />
  </section>
</template>
