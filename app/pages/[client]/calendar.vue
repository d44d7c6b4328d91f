<script setup lang="ts">
import { spanAround, spanStep, SPANS, type Span } from '~~/core/calendar/spans'
import { isDay, type Day } from '~~/core/days/day'
import { formatSignedShare } from '~~/core/format/numbers'
import { describeDay, describePeriod } from '~~/core/periods/describePeriod'
import { hourName } from '~~/core/times/slots'
import type { CalendarEntry, CalendarView } from '~~/shared/plan/postCalendar'
import { clockOf, quietWords, silentWords } from '~/plan/calendar/calendarWords'

definePageMeta({ margin: true, scope: true })
useHead({ title: 'Calendar · Zaffer' })
const route = useRoute()
const router = useRouter()
const shell = useShell()
const locale = useLocale()
const { slug, base } = useClient()
const { address } = useScope()
const FIELDS = ['on', 'span', 'state', 'only', 'tags'] as const
const asked = computed(() =>
  Object.fromEntries(FIELDS.flatMap((name) => (route.query[name] ? [[name, String(route.query[name])]] : []))),
)
const { data, error, isLoading } = useQuery({
  key: () => ['calendar', slug.value, address.value.who ?? 'all', asked.value],
  query: () =>
    api<CalendarView>(`${base.value}/calendar`, {
      query: { ...(address.value.who && { who: address.value.who }), ...asked.value },
    }),
  placeholderData: (previous) => previous,
})
const tags = useTags()
const span = computed<Span>(() => SPANS.find((each) => each === route.query.span) ?? 'week')
/** The day around which it is: that of the address, or today. */
const on = computed<Day | undefined>(() => {
  const day = String(route.query.on ?? '')
  return isDay(day) ? day : data.value?.today
})
const period = computed(() => on.value && spanAround(on.value, span.value))
const show = (part: Record<string, string | undefined>) => router.push({ query: { ...route.query, ...part } })
function step(direction: 1 | -1) {
  if (on.value) void show({ on: spanStep(on.value, span.value, direction) })
}
const today = () => void show({ on: undefined })
/** Keys step here from span to span, before they would step the period of other pages. */
useEventListener(
  'keydown',
  (event: KeyboardEvent) => {
    const steps: Record<string, () => void> = { ',': () => step(-1), '.': () => step(1), 't': today }
    const target = event.target
    const isTyping =
      target instanceof HTMLElement && target.closest('input, textarea, [role="dialog"], [role="listbox"]')
    if (event.ctrlKey || event.metaKey || event.altKey || isTyping || !steps[event.key]) return
    event.preventDefault()
    event.stopImmediatePropagation()
    steps[event.key]!()
  },
  { capture: true },
)
const CHOICES = computed(() => [
  {
    name: 'span',
    label: 'How much is seen at once',
    value: span.value as string,
    options: SPANS.map((value) => ({ value: value as string, name: `by ${value}` })),
  },
  {
    name: 'state',
    label: 'What is shown',
    value: String(route.query.state ?? 'all'),
    options: [
      { value: 'all', name: 'published and tried' },
      { value: 'published', name: 'published' },
      { value: 'tried', name: 'tries' },
    ],
  },
  {
    name: 'only',
    label: 'Which format',
    value: String(route.query.only ?? 'all'),
    options: [
      { value: 'all', name: 'every format' },
      ...(data.value?.formats ?? []).map((format) => ({ value: format, name: `${format} alone` })),
    ],
  },
  {
    name: 'tags',
    label: 'Which tag',
    value: String(route.query.tags ?? 'all'),
    options: [
      { value: 'all', name: 'every tag' },
      { value: 'none', name: 'without a tag' },
      ...(tags.tags.value ?? []).map(({ id, name }) => ({ value: String(id), name })),
    ],
  },
  {
    name: 'density',
    label: 'How close together',
    value: String(route.query.density ?? 'all'),
    options: [
      { value: 'all', name: 'with texts' },
      { value: 'tight', name: 'close together' },
    ],
  },
])
const isTight = computed(() => route.query.density === 'tight')
const RHYTHMS = [
  { value: 'networks', name: 'by network' },
  { value: 'formats', name: 'by format' },
  { value: 'profiles', name: 'by profile' },
] as const
const rhythm = computed(() => RHYTHMS.find(({ value }) => value === route.query.rhythm)?.value ?? 'networks')
const keyOf = ({ state, profile, id }: CalendarEntry) => `${state}.${profile}.${id}`
const chosen = computed(() => String(route.query.entry ?? ''))
const entry = computed(() => data.value?.entries.find((each) => keyOf(each) === chosen.value))
function choose(each: CalendarEntry) {
  shell.isMarginOpen = true
  void router.replace({ query: { ...route.query, entry: keyOf(each) } })
}
const file = computed(
  () =>
    `${base.value}/calendar/file?${new URLSearchParams({ ...(address.value.who && { who: address.value.who }), ...asked.value })}`,
)
const openDay = (day: Day) => show({ on: day, span: 'day' })
</script>

<template>
  <div>
    <h1 class="hidden-but-read">What was posted when, and what is to come?</h1>
    <ScopeSentence is-who-only>, {{ period ? describePeriod(period) : '…' }}</ScopeSentence>
    <div class="row choose no-print">
      <Button label="Earlier" size="small" outlined title="Earlier (,)" @click="step(-1)" />
      <Button label="Today" size="small" outlined title="Today (t)" @click="today" />
      <Button label="Later" size="small" outlined title="Later (.)" @click="step(1)" />
      <Select
        v-for="choice in CHOICES"
        :key="choice.name"
        :model-value="choice.value"
        :options="choice.options"
        option-label="name"
        option-value="value"
        size="small"
        :aria-label="choice.label"
        @update:model-value="(value) => show({ [choice.name]: value === 'all' ? undefined : value })"
      />
      <a class="right" :href="file" download>As iCalendar</a>
    </div>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <p v-else-if="isLoading && !data" class="quiet">Opening the calendar …</p>
    <template v-if="data">
      <p v-if="span !== 'month' && data.there" class="quiet small">
        The curve down each day is the audience of {{ data.there.networks.join(' and ') }}; numbers are slots that are
        suggested.
      </p>
      <MonthCalendar
        v-if="span === 'month'"
        :view="data"
        :is-tight="isTight"
        :chosen="chosen"
        @choose="choose"
        @day="openDay"
      />
      <WeekCalendar v-else :view="data" :is-tight="isTight" :chosen="chosen" @choose="choose" @day="openDay" />
      <p v-if="data.isCut" class="quiet">
        Only the first 2,000 posts are shown. Choose a shorter time or fewer profiles.
      </p>
      <p class="said">{{ silentWords(data, locale).join(' ') }} {{ quietWords(data.rhythm.networks).join(' ') }}</p>
      <section aria-labelledby="rhythm-heading">
        <div class="row">
          <h2 id="rhythm-heading" class="heading">Rhythm up to {{ describeDay(data.lastComplete) }}</h2>
          <Select
            class="no-print"
            :model-value="rhythm"
            :options="[...RHYTHMS]"
            option-label="name"
            option-value="value"
            size="small"
            aria-label="Rhythm by what"
            @update:model-value="(by) => show({ rhythm: by === 'networks' ? undefined : by })"
          />
        </div>
        <RhythmTable :rows="data.rhythm[rhythm]" what="Rhythm" />
      </section>
      <Teleport v-if="shell.marginPlace" :to="shell.marginPlace">
        <section v-if="entry" aria-live="polite">
          <h2>{{ describeDay(entry.day) }}, {{ clockOf(entry.minutes) }}</h2>
          <p>{{ entry.profileName }} on {{ entry.networkName }}{{ entry.format ? `, ${entry.format}` : '' }}</p>
          <p>{{ entry.text }}</p>
          <p v-if="entry.state === 'published'">
            <NuxtLink :to="`/${slug}/content/${entry.profile}/${entry.id}`">What it has brought</NuxtLink>
          </p>
          <p v-else><NuxtLink :to="`/${slug}/times`">All tries</NuxtLink></p>
        </section>
        <section v-if="data.slots.length">
          <h2>Suggested slots to come</h2>
          <p v-for="slot in data.slots" :key="`${slot.day} ${slot.number}`">
            {{ slot.number }}. {{ describeDay(slot.day) }}, {{ hourName(slot.hour) }}:
            <template v-if="slot.by === 'posts' && slot.lift"
              >{{ formatSignedShare(slot.lift.value, locale) }}, between
              {{ formatSignedShare(slot.lift.low, locale) }} and
              {{ formatSignedShare(slot.lift.high, locale) }}</template
            ><template v-else>the audience is there</template>
          </p>
          <p><NuxtLink :to="`/${slug}/times`">Why these</NuxtLink></p>
        </section>
      </Teleport>
    </template>
  </div>
</template>

<style scoped>
.choose {
  flex-wrap: wrap;
  gap: 6px 8px;
  margin: 8px 0;
}
.right {
  margin-left: auto;
  align-self: center;
}
.small {
  font-size: var(--text-small);
}
.said {
  margin: 12px 0;
}
</style>
