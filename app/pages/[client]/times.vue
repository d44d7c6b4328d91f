<script setup lang="ts">
import { RESPONSE_BASES, RESPONSES } from '~~/core/times/responses'
import { WEEKDAYS } from '~~/core/times/slots'
import { TIME_LINES, timesSchema, type TimesQuery, type TimesView } from '~~/shared/read/times'

definePageMeta({ margin: true, scope: true })
useHead({ title: 'Times · Zaffer' })
const { query, push, replace } = usePageAddress()
const shell = useShell()
const { slug, base } = useClient()
const { address } = useScope()
const FIELDS = Object.keys(timesSchema.fields) as (keyof TimesQuery)[]
/** What the address says of how times are looked at; what has no meaning there is left to the server to say. */
const asked = computed<Partial<Record<keyof TimesQuery, string>>>(() =>
  Object.fromEntries(FIELDS.flatMap((name) => (query.value[name] ? [[name, String(query.value[name])]] : []))),
)
const USUAL = timesSchema.getDefault()
const valueOf = (name: keyof TimesQuery) => asked.value[name] ?? String(USUAL[name])
const { data, error, isLoading } = useQuery({
  key: () => ['times', slug.value, address.value, asked.value],
  query: () => api<TimesView>(`${base.value}/times`, { query: { ...address.value, ...asked.value } }),
  placeholderData: (previous) => previous,
})
const choose = (name: string, value: string | number) => push({ [name]: value })
const lines = computed(() =>
  query.value.lines === 'arrive' || (query.value.lines !== 'there' && data.value && !data.value.there)
    ? ('arrive' as const)
    : ('there' as const),
)
const day = computed(() => {
  const at = Number(query.value.day)
  return query.value.day && Number.isInteger(at) && at >= 1 && at <= 7 ? at - 1 : undefined
})
const slot = computed({
  get: () => {
    const at = Number(query.value.slot)
    return query.value.slot && Number.isInteger(at) && at >= 0 && at < 168 ? at : undefined
  },
  set: (to) => {
    shell.isMarginOpen = true
    void replace({
      slot: String(to ?? 0),
      ...(day.value !== undefined && to !== undefined && { day: String(Math.floor(to / 24) + 1) }),
    })
  },
})
const shownSlot = computed(() => slot.value ?? data.value?.suggestions[0]?.slot)
const named = (id: string) => RESPONSES.find((each) => each.id === id)?.name ?? id
const what = computed(
  () => `${named(valueOf('response'))} ${RESPONSE_BASES.find(({ id }) => id === valueOf('base'))?.name ?? ''}`,
)
interface Choice {
  name: string
  label: string
  value: string
  options: { value: string; name: string }[]
}
const CHOICES = computed<Choice[]>(() => [
  {
    name: 'lines',
    label: 'What the lines are',
    value: lines.value,
    options: TIME_LINES.map(({ id, name }) => ({ value: id, name: `lines: ${name}` })),
  },
  {
    name: 'day',
    label: 'The week or one day',
    value: day.value === undefined ? 'all' : String(day.value + 1),
    options: [
      { value: 'all', name: 'the whole week' },
      ...WEEKDAYS.map((name, index) => ({ value: String(index + 1), name: `${name} alone` })),
    ],
  },
])
const download = computed(
  () => `${base.value}/downloads/times?${new URLSearchParams({ ...address.value, ...asked.value })}`,
)
</script>

<template>
  <div>
    <h1 class="hidden-but-read">When is the audience there, and when did posts do well?</h1>
    <ScopeSentence is-up-to />
    <div class="row choose no-print">
      <TimesChoice
        :asked="asked"
        :networks="data?.networks ?? []"
        :countries="data?.countries ?? []"
        @choose="choose"
      />
      <Select
        v-for="choice in CHOICES"
        :key="choice.name"
        :model-value="choice.value"
        :options="choice.options"
        option-label="name"
        option-value="value"
        size="small"
        :aria-label="choice.label"
        @update:model-value="(value) => choose(choice.name, value === 'all' ? '' : value)"
      />
      <DownloadMenu v-if="data" class="right" kind="times" :path="download" what="The times" />
    </div>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <p v-else-if="isLoading && !data" class="quiet">Working out the times …</p>
    <template v-if="data">
      <section aria-labelledby="week-heading">
        <TimesText v-model="slot" :view="data" :lines="lines" :day="day"
          ><template #heading
            ><h2 id="week-heading" class="heading">
              {{ day === undefined ? 'The week, hour by hour' : `${WEEKDAYS[day]}, hour by hour` }}
            </h2></template
          ></TimesText
        >
      </section>
      <section v-if="data.byNetwork.length > 1" aria-labelledby="networks-heading" class="part">
        <h2 id="networks-heading" class="heading">Networks side by side</h2>
        <NetworkTimes :networks="data.byNetwork" />
      </section>
      <TriesSection
        class="part"
        :view="data"
        :asked="asked"
        :wanted="Number(valueOf('tries'))"
        @wanted="(tries) => choose('tries', tries)"
      />
      <Teleport v-if="shell.marginPlace && shownSlot !== undefined" :to="shell.marginPlace">
        <SlotWorkings :view="data" :chosen="shownSlot" :what="what" />
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
}
.part {
  margin-top: 20px;
}
</style>
