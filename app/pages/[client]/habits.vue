<script setup lang="ts">
import { CORNERS, TERMS } from '~~/core/habits/postingHabits'
import { describeDay } from '~~/core/periods/describePeriod'
import { HABIT_PARTS, habitsSchema, type HabitPart, type HabitsView } from '~~/shared/compare/habits'
import { useFieldAddress } from '~/compare/field/useFieldAddress'
import { memberName } from '~/compare/habits/habitsWords'

definePageMeta({ margin: true, scope: true })
useHead({ title: 'Habits · Zaffer' })
const route = useRoute()
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
const signOf = (kind: string) => (kind === 'hashtags' || kind === 'hashtag' ? '#' : '')
const nameOf = (part: HabitPart) => HABIT_PARTS.find(({ id }) => id === part)!.name
const pathOf = (part: HabitPart) =>
  `${base.value}/downloads/habits?${new URLSearchParams({ ...address.value, ...asked.value, term: '', part })}`
/** What is written to be looked at by itself; it is asked for when it is sent. */
const sought = ref(text('term'))
const wrong = ref('')
watch(
  () => text('term'),
  (term) => (sought.value = term),
)
function look(): void {
  const term = sought.value.replace(/^#/, '').trim().toLowerCase()
  try {
    habitsSchema.validateSyncAt('term', { term })
    wrong.value = ''
    show({ term })
  } catch (problem) {
    wrong.value = (problem as Error).message
  }
}
const onlyWords = computed(() =>
  (data.value?.only ?? []).map(({ member, terms: own, all }) => ({
    member,
    name: memberName(data.value!.members, member),
    words: own.map(({ term, posts }) => `${signOf(terms.value)}${term} ${posts}`).join(', '),
    more: all - own.length,
  })),
)
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
          {{ data.posts.toLocaleString('en') }} posts of this period, {{ data.judged.toLocaleString('en') }} of them
          judged: those up to {{ describeDay(data.judgedTo) }} of which reactions, comments or shares are known. Usual
          of a post is the median of its profile in the 45 days before and after it; except for formats, what its format
          does is taken away too.
          <template v-if="data.cutAt"
            >Only the newest {{ data.cutAt.toLocaleString('en') }} posts are looked at.</template
          >
        </p>
        <section aria-labelledby="corners-heading">
          <div class="row head">
            <h2 id="corners-heading" class="heading">Where rivals are quiet</h2>
            <span class="row no-print">
              <Select
                :model-value="corners"
                :options="[...CORNERS]"
                option-label="name"
                option-value="id"
                size="small"
                aria-label="What parts the corners"
                @update:model-value="(kind) => show({ corners: kind === 'weekday' ? '' : kind })"
              />
              <DownloadMenu :path="pathOf('corners')" block="habits" :what="nameOf('corners')" />
            </span>
          </div>
          <HabitCorners :habits="data" :sign="signOf(corners)" />
        </section>
        <section aria-labelledby="terms-heading">
          <div class="row head">
            <h2 id="terms-heading" class="heading">Hashtags and words</h2>
            <span class="row no-print">
              <Select
                :model-value="terms"
                :options="[...TERMS]"
                option-label="name"
                option-value="id"
                size="small"
                aria-label="Hashtags or words"
                @update:model-value="(kind) => show({ terms: kind === 'hashtags' ? '' : kind, term: '' })"
              />
              <DownloadMenu :path="pathOf('terms')" block="habits" :what="nameOf('terms')" />
            </span>
          </div>
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
              Of {{ data.allTerms.toLocaleString('en') }} those that are used most, and any other that stands out. Times
              usual: the middle of the judged posts, with the interval that holds it in at least nine of ten cases; of
              those that are said to stand above or below, no more than one in ten is there by chance.
            </p>
          </template>
          <template v-if="onlyWords.length">
            <div class="row head">
              <h3>What nobody else uses</h3>
              <DownloadMenu :path="pathOf('only')" block="habits" :what="nameOf('only')" />
            </div>
            <ul>
              <li v-for="own in onlyWords" :key="own.member">
                <strong>{{ own.name }}</strong
                >: {{ own.words }}<template v-if="own.more">, and {{ own.more }} more</template>.
              </li>
            </ul>
          </template>
        </section>
        <section aria-labelledby="formats-heading">
          <div class="row head">
            <h2 id="formats-heading" class="heading">Formats</h2>
            <DownloadMenu :path="pathOf('formats')" block="habits" :what="nameOf('formats')" />
          </div>
          <HabitFormats v-if="data.formats.length" :habits="data" />
          <p v-else class="quiet">Nobody in this field has posted in these days.</p>
        </section>
        <section aria-labelledby="rhythm-heading">
          <div class="row head">
            <h2 id="rhythm-heading" class="heading">How often and when</h2>
            <DownloadMenu :path="pathOf('rhythm')" block="habits" :what="nameOf('rhythm')" />
          </div>
          <HabitRhythm :habits="data" />
        </section>
      </template>
    </template>
  </div>
</template>

<style scoped>
section {
  margin: 14px 0 18px;
}
h3 {
  margin: 10px 0 2px;
}
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
ul {
  margin: 4px 0;
  padding-left: 18px;
}
form {
  gap: 8px;
  margin: 6px 0;
}
</style>
