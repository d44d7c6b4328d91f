<script setup lang="ts">
import { spanAround, spanStep, SPANS, type Span } from '~~/core/calendar/spans'
import { isDay, type Day } from '~~/core/days/day'
import { describeDay, describePeriod } from '~~/core/periods/describePeriod'
import type { PlanView } from '~~/shared/plan/plannedPosts'
import type { CalendarView } from '~~/shared/plan/postCalendar'
import { quietWords, silentWords } from '~/plan/calendar/calendarWords'
import { entryKey, isMovable, isWanted, joinedEntries, type ShownEntry } from '~/plan/calendar/shownEntries'
import { usePlanMoves } from '~/plan/calendar/usePlanMoves'

definePageMeta({ margin: true, scope: true })
useHead({ title: 'Calendar · Zaffer' })
const { query, push: show, replace } = usePageAddress()
const shell = useShell()
const locale = useLocale()
const { slug, base } = useClient()
const { address } = useScope()
const FIELDS = ['on', 'span', 'state', 'only', 'tags'] as const
const asked = computed(() =>
  Object.fromEntries(FIELDS.flatMap((name) => (query.value[name] ? [[name, String(query.value[name])]] : []))),
)
const { data, error, isLoading } = useQuery({
  key: () => ['calendar', slug.value, address.value.who ?? 'all', asked.value],
  query: () =>
    api<CalendarView>(`${base.value}/calendar`, {
      query: { ...(address.value.who && { who: address.value.who }), ...asked.value },
    }),
  placeholderData: (previous) => previous,
})
const session = useSession()
const refreshAll = useRefresh()
const tags = useTags()
const span = computed<Span>(() => SPANS.find((each) => each === query.value.span) ?? 'week')
/** The day around which it is: that of the address, or today. */
const on = computed<Day | undefined>(() => {
  const day = String(query.value.on ?? '')
  return isDay(day) ? day : data.value?.today
})
const period = computed(() => (on.value ? spanAround(on.value, span.value) : undefined))
/** What is planned is the agency’s work: viewers see what was published. */
const mayWrite = computed(() => session.mayWrite)
const { data: plan, error: planError } = useQuery({
  key: () => ['plan', slug.value, period.value?.from ?? '', period.value?.to ?? ''],
  query: () => api<PlanView>(`${base.value}/plan`, { query: { ...period.value } }),
  enabled: () => mayWrite.value && period.value !== undefined,
  placeholderData: (previous) => previous,
})
const refreshPlan = () => refreshAll('plan')
const moves = usePlanMoves(refreshPlan)
const filter = computed(() => ({
  state: String(query.value.state ?? ''),
  by: String(query.value.by ?? ''),
  ...(address.value.who && { profiles: data.value?.profiles ?? [] }),
}))
/** Formats and tags are those of what is out. */
const isOfPublished = computed(() => Boolean(query.value.only || query.value.tags))
const planned = computed(() =>
  isOfPublished.value ? [] : (plan.value?.posts ?? []).filter((each) => isWanted(each, filter.value)),
)
const unplaced = computed(() =>
  isOfPublished.value ? [] : (plan.value?.unplaced ?? []).filter((each) => isWanted(each, filter.value)),
)
/** Whoever looks for what needs somebody has it first. */
const isOfNeeds = computed(() => query.value.state === 'needs')
const needing = computed(() =>
  isOfPublished.value
    ? []
    : (plan.value?.needing ?? []).filter((each) => isWanted(each, { ...filter.value, state: '' })),
)
const shown = computed(() => data.value && { ...data.value, entries: joinedEntries(data.value.entries, planned.value) })
const writers = computed(() =>
  [...new Set([...(plan.value?.posts ?? []), ...(plan.value?.unplaced ?? [])].map(({ writtenName }) => writtenName))]
    .filter(Boolean)
    .sort(),
)
const picked = ref<number[]>([])
const toggle = (id: number) =>
  (picked.value = picked.value.includes(id) ? picked.value.filter((each) => each !== id) : [...picked.value, id])
const movable = computed(() => (shown.value?.entries ?? []).filter(isMovable).map(({ plan: each }) => each!.id))
watch(period, () => (picked.value = []))
function pressed(event: KeyboardEvent, each: ShownEntry) {
  if (!mayWrite.value || !each.plan) return
  if (event.key === 'x' && !event.ctrlKey && !event.metaKey && isMovable(each)) toggle(each.plan.id)
  else moves.byKey(event, each, span.value === 'month')
}
/** Those without a time are chosen too, as far as many can be changed at once. */
const pickAll = (ids: number[]) => (picked.value = [...new Set([...picked.value, ...ids])].slice(0, 200))
async function moveMany(days: number, time: string) {
  await moves.moveMany(picked.value, days, time)
}
async function removeMany() {
  await moves.removeMany(picked.value)
  picked.value = []
}
const dialog = ref<'settings' | 'subscribe' | 'sheet' | 'weekly' | 'refills' | 'place'>()
/** An address can lead to the weekly slots, and to the lists that refill some. */
const LED_TO = ['weekly', 'refills'] as const
watch(
  () => (mayWrite.value ? LED_TO.find((name) => query.value[name] === 'yes') : undefined),
  (asked) => asked && (dialog.value = asked),
  { immediate: true },
)
function closeLedTo() {
  dialog.value = undefined
  if (LED_TO.some((name) => query.value[name])) void replace({ weekly: undefined, refills: undefined })
}
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
    value: String(query.value.state ?? 'all'),
    options: [
      { value: 'all', name: 'everything' },
      { value: 'published', name: 'published' },
      { value: 'tried', name: 'tries' },
      ...(mayWrite.value
        ? [
            { value: 'planned', name: 'planned' },
            { value: 'open', name: 'ideas and drafts' },
            { value: 'scheduled', name: 'scheduled' },
            { value: 'needs', name: 'needs somebody' },
          ]
        : []),
    ],
  },
  ...(writers.value.length > 1
    ? [
        {
          name: 'by',
          label: 'Written by whom',
          value: String(query.value.by ?? 'all'),
          options: [
            { value: 'all', name: 'by anybody' },
            ...writers.value.map((name) => ({ value: name, name: `by ${name}` })),
          ],
        },
      ]
    : []),
  {
    name: 'only',
    label: 'Which format',
    value: String(query.value.only ?? 'all'),
    options: [
      { value: 'all', name: 'every format' },
      ...(data.value?.formats ?? []).map((format) => ({ value: format, name: `${format} alone` })),
    ],
  },
  {
    name: 'tags',
    label: 'Which tag',
    value: String(query.value.tags ?? 'all'),
    options: [
      { value: 'all', name: 'every tag' },
      { value: 'none', name: 'without a tag' },
      ...(tags.tags.value ?? []).map(({ id, name }) => ({ value: String(id), name })),
    ],
  },
  {
    name: 'density',
    label: 'How close together',
    value: String(query.value.density ?? 'all'),
    options: [
      { value: 'all', name: 'with texts' },
      { value: 'tight', name: 'close together' },
    ],
  },
])
const isTight = computed(() => query.value.density === 'tight')
const RHYTHMS = [
  { value: 'networks', name: 'by network' },
  { value: 'formats', name: 'by format' },
  { value: 'profiles', name: 'by profile' },
] as const
const rhythm = computed(() => RHYTHMS.find(({ value }) => value === query.value.rhythm)?.value ?? 'networks')
const chosen = computed(() => String(query.value.entry ?? ''))
/** The plan that a published post came from. */
const planOfEntry = computed(() =>
  entry.value?.state !== 'published'
    ? undefined
    : plan.value?.posts.find(({ postings }) =>
        postings.some(({ profile, remoteId }) => profile === entry.value!.profile && remoteId === entry.value!.id),
      ),
)
const entry = computed(() => shown.value?.entries.find((each) => entryKey(each) === chosen.value))
function choose(each: ShownEntry) {
  shell.isMarginOpen = true
  void replace({ entry: entryKey(each) })
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
      <span class="row right">
        <NuxtLink v-if="mayWrite" :to="`/${slug}/calendar/new`">Plan a post</NuxtLink>
        <a :href="file" download>As iCalendar</a>
        <template v-if="mayWrite">
          <button type="button" class="bare link" aria-haspopup="dialog" @click="dialog = 'sheet'">
            Posts from a file
          </button>
          <button type="button" class="bare link" aria-haspopup="dialog" @click="dialog = 'weekly'">
            Weekly slots
          </button>
          <button type="button" class="bare link" aria-haspopup="dialog" @click="dialog = 'refills'">
            Refilled slots
          </button>
          <button type="button" class="bare link" aria-haspopup="dialog" @click="dialog = 'subscribe'">
            Subscribe
          </button>
          <button type="button" class="bare link" aria-haspopup="dialog" @click="dialog = 'settings'">Settings</button>
        </template>
      </span>
    </div>
    <p v-if="planError" role="alert">{{ planError.message }}</p>
    <ManyChosen
      v-if="picked.length"
      :ids="picked"
      :is-busy="moves.isBusy.value"
      @move="moveMany"
      @remove="removeMany"
      @place="dialog = 'place'"
      @none="picked = []"
    />
    <p v-if="error" role="alert">{{ error.message }}</p>
    <p v-else-if="isLoading && !data" class="quiet">Opening the calendar …</p>
    <PlannedList v-if="needing.length && isOfNeeds" id="needing" title="Needs somebody" :posts="needing" />
    <template v-if="data && shown">
      <p v-if="span !== 'month' && data.there" class="quiet small">
        The curve down each day is the audience of {{ data.there.networks.join(' and ') }}; numbers are slots that are
        suggested.
      </p>
      <MonthCalendar
        v-if="span === 'month'"
        :view="shown"
        :is-tight="isTight"
        :chosen="chosen"
        :picked="picked"
        :may-write="mayWrite"
        @choose="choose"
        @day="openDay"
        @key="pressed"
        @put="moves.put"
      />
      <WeekCalendar
        v-else
        :view="shown"
        :is-tight="isTight"
        :chosen="chosen"
        :picked="picked"
        :may-write="mayWrite"
        @choose="choose"
        @day="openDay"
        @key="pressed"
        @put="moves.put"
      />
      <p v-if="mayWrite && movable.length" class="quiet no-print">
        Planned posts are moved by dragging, or with Alt and the arrows; x chooses one for many.
        <button type="button" class="bare link" @click="picked = movable.slice(0, 200)">
          Choose all that are planned here
        </button>
      </p>
      <p v-if="data.isCut || plan?.isCut" class="quiet">
        Only the first 2,000 posts are shown. Choose a shorter time or fewer profiles.
      </p>
      <p class="said">{{ silentWords(data, locale).join(' ') }} {{ quietWords(data.rhythm.networks).join(' ') }}</p>
      <PlannedList v-if="needing.length && !isOfNeeds" id="needing" title="Needs somebody" :posts="needing" />
      <PlannedList
        v-if="unplaced.length"
        id="unplaced"
        title="Without a time"
        :posts="unplaced"
        :is-pickable="mayWrite"
        @pick="pickAll"
      />
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
        <CalendarMargin :entry="entry" :from-plan="planOfEntry" :slots="data.slots" :picked="picked" @pick="toggle" />
      </Teleport>
    </template>
    <PlanSheetDialog
      v-if="dialog === 'sheet' && period"
      :period="period"
      @close="dialog = undefined"
      @changed="refreshPlan"
    />
    <WeeklySlotsDialog v-if="dialog === 'weekly'" @close="closeLedTo" @changed="refreshPlan" />
    <RefillsDialog v-if="dialog === 'refills'" @close="closeLedTo" />
    <PlaceManyDialog v-if="dialog === 'place'" :ids="picked" @close="dialog = undefined" @changed="refreshPlan" />
    <SubscribeDialog v-if="dialog === 'subscribe'" @close="dialog = undefined" />
    <PlanSettingsDialog
      v-if="dialog === 'settings' && plan"
      :settings="plan.settings"
      @close="dialog = undefined"
      @changed="refreshPlan"
    />
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
.link {
  color: var(--zaffer);
  text-decoration: underline;
  min-height: 24px;
}
.small {
  font-size: var(--text-small);
}
.said {
  margin: 12px 0;
}
</style>
