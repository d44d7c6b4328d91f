<script setup lang="ts">
import { CORNERS, TERMS } from '~~/core/habits/habitKinds'
import { describeDay } from '~~/core/periods/describePeriod'
import { habitsSchema, type HabitsView } from '~~/shared/compare/habits'
import { useFieldAddress } from '~/compare/field/useFieldAddress'
import { signOf } from '~/compare/habits/habitsWords'

definePageMeta({ margin: true, scope: true })
useHead({ title: 'Habits · Zaffer' })
const route = useRoute()
const locale = useLocale()
const { slug, base } = useClient()
const { address } = useScope()
const { asked: field, show } = useFieldAddress()
const text = (name: string) => (typeof route.query[name] === 'string' ? String(route.query[name]) : '')
const asked = computed(() => ({
  ...field.value,
  ...Object.fromEntries(
    ['terms', 'term', 'corners'].flatMap((name) => (text(name) ? [[name, text(name)] as const] : [])),
  ),
}))
const { data, error, isLoading } = useQuery({
  key: () => ['habits', slug.value, address.value, asked.value],
  query: () => api<HabitsView>(`${base.value}/habits`, { query: { ...address.value, ...asked.value } }),
  placeholderData: (previous) => previous,
})
const terms = computed(() => TERMS.find(({ id }) => id === text('terms'))?.id ?? 'hashtags')
const corners = computed(() => CORNERS.find(({ id }) => id === text('corners'))?.id ?? 'weekday')
const path = computed(
  () => `${base.value}/downloads/habits?${new URLSearchParams({ ...address.value, ...asked.value, term: '' })}`,
)
/** What is written to be looked at by itself; it is asked for when it is sent. */
const sought = ref(text('term'))
const wrong = ref('')
watch(
  () => text('term'),
  (term) => (sought.value = term),
)
function look(): void {
  try {
    const term = habitsSchema.validateSyncAt('term', { term: sought.value.replace(/^\s*#/, '') }) as string
    wrong.value = ''
    show({ term })
  } catch (problem) {
    wrong.value = (problem as Error).message
  }
}
</script>

<template>
  <div>
    <h1 class="hidden-but-read">What does the field post, and where is it quiet?</h1>
    <ScopeSentence />
    <p v-if="error" role="alert">{{ error.message }}</p>
    <p v-else-if="isLoading && !data" class="quiet">Reading the posts of the field …</p>
    <template v-if="data">
      <FieldChoice :networks="data.networks" :members="data.members" :hidden="data.hidden" />
      <p v-if="data.rhythm.length === 0" class="quiet">
        Nobody in this field has posted in the 52 weeks to {{ describeDay(data.year.to) }}.
      </p>
      <template v-else>
        <p class="quiet small">
          {{ data.posts.toLocaleString(locale) }} posts of this period, {{ data.judged.toLocaleString(locale) }} of them
          judged: those up to {{ describeDay(data.judgedTo) }} of which reactions, comments or shares are known. Usual
          of a post is the median of its profile in the 45 days before and after it; except for formats, what its format
          does is taken away too.
          <template v-if="data.cutAt"
            >Only the newest {{ data.cutAt.toLocaleString(locale) }} posts are looked at.</template
          >
        </p>
        <HabitSection part="corners" heading="Where rivals are quiet" :path="path">
          <template #choose
            ><Select
              :model-value="corners"
              :options="[...CORNERS]"
              option-label="name"
              option-value="id"
              size="small"
              aria-label="What parts the corners"
              @update:model-value="(kind) => show({ corners: kind === 'weekday' ? '' : kind })"
          /></template>
          <HabitCorners :habits="data" :sign="signOf(corners)" />
        </HabitSection>
        <HabitSection part="terms" heading="Hashtags and words" :path="path">
          <template #choose
            ><Select
              :model-value="terms"
              :options="[...TERMS]"
              option-label="name"
              option-value="id"
              size="small"
              aria-label="Hashtags or words"
              @update:model-value="(kind) => show({ terms: kind === 'hashtags' ? '' : kind, term: '' })"
          /></template>
          <form class="row no-print" @submit.prevent="look">
            <label for="sought">By itself</label>
            <InputText
              id="sought"
              v-model="sought"
              size="small"
              :invalid="wrong !== ''"
              aria-describedby="sought-wrong"
            />
            <Button type="submit" label="Look at it" size="small" outlined />
            <span id="sought-wrong" role="status" class="worse">{{ wrong }}</span>
          </form>
          <section v-if="data.term" aria-labelledby="term-heading" class="term">
            <div class="row head">
              <h3 id="term-heading">{{ signOf(terms) }}{{ data.term.term }}</h3>
              <Button label="Close" size="small" text @click="show({ term: '' })" />
            </div>
            <TermText :habits="data" :looked="data.term" :sign="signOf(terms)" />
          </section>
          <p v-if="data.terms.length === 0" class="quiet">
            No {{ terms === 'hashtags' ? 'hashtag' : 'word' }} in the posts of this period.
          </p>
          <template v-else>
            <HabitTerms
              :habits="data"
              :sign="signOf(terms)"
              :chosen="data.term?.term"
              @choose="(term) => show({ term: term === data!.term?.term ? '' : term })"
            />
            <p class="quiet small">
              Of {{ data.allTerms.toLocaleString(locale) }} those that are used most, and any other that stands out.
              Times usual: the middle of the judged posts, with the interval that holds it in at least nine of ten
              cases; of those that are said to stand above or below, no more than one in ten is there by chance.
            </p>
          </template>
          <HabitSection v-if="data.only.length" part="only" heading="What nobody else uses" :path="path" is-inner>
            <HabitOnly :habits="data" :sign="signOf(terms)" />
          </HabitSection>
        </HabitSection>
        <HabitSection part="formats" heading="Formats" :path="path">
          <HabitFormats v-if="data.formats.length" :habits="data" />
          <p v-else class="quiet">Nobody in this field has posted in these days.</p>
        </HabitSection>
        <HabitSection part="rhythm" heading="How often and when" :path="path">
          <HabitRhythm :habits="data" />
        </HabitSection>
      </template>
    </template>
  </div>
</template>

<style scoped>
.head {
  justify-content: space-between;
}
.small {
  font-size: var(--text-small);
  max-width: 110ch;
}
.term {
  margin: 8px 0;
}
form {
  gap: 8px;
  margin: 6px 0;
}
</style>
