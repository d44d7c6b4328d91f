<script setup lang="ts">
import { MOODS, SUBJECTS } from '~~/core/reviews/reviewAbout'
import {
  wantedHoursSchema,
  type ReplyTemplate,
  type Review,
  type ReviewsPage,
  type ReviewsView,
} from '~~/shared/read/reviews'

definePageMeta({ margin: true, scope: true })
useHead({ title: 'Reviews · Zaffer' })
const { query, push } = usePageAddress()
const session = useSession()
const say = useSay()
const refreshAll = useRefresh()
const { slug, base } = useClient()
const { address, description } = useScope()
const timeZone = computed(() => description.data.value?.client.timeZone ?? 'UTC')
const { data, error, isLoading } = useQuery({
  key: () => ['review-figures', slug.value, address.value],
  query: () => api<ReviewsView>(`${base.value}/reviews/figures`, { query: address.value }),
  placeholderData: (previous) => previous,
})
const FILTERS = ['state', 'stars', 'mood', 'about', 'place'] as const
const filter = computed(() =>
  Object.fromEntries(FILTERS.flatMap((name) => (query.value[name] ? [[name, String(query.value[name])]] : []))),
)
const list = useQuery({
  key: () => ['reviews', slug.value, address.value, filter.value],
  query: () => api<ReviewsPage>(`${base.value}/reviews`, { query: { ...address.value, ...filter.value } }),
  placeholderData: (previous) => previous,
})
/** What further pages have brought, until something changes. */
const more = ref<Review[]>([])
const next = ref<string>()
watch(list.data, (page) => {
  more.value = []
  next.value = page?.next
})
const reviews = computed(() => [...(list.data.value?.reviews ?? []), ...more.value])
async function showMore() {
  try {
    const page = await api<ReviewsPage>(`${base.value}/reviews`, {
      query: { ...address.value, ...filter.value, after: next.value },
    })
    more.value = [...more.value, ...page.reviews]
    next.value = page.next
  } catch (problem) {
    say.problem(problem)
  }
}
const templates = useQuery({
  key: () => ['reply-templates', slug.value],
  query: () => api<ReplyTemplate[]>(`${base.value}/reply-templates`),
  enabled: () => session.mayWrite,
})
const refresh = () => refreshAll('reviews')
const choose = (name: string, value: string) => push({ [name]: value === 'all' ? undefined : value })
const chosen = (name: (typeof FILTERS)[number]) => filter.value[name] ?? 'all'
const all = (name: string) => ({ value: 'all', name })
const CHOICES = computed(() => [
  {
    name: 'state' as const,
    label: 'Answered or waiting',
    options: [
      all('answered and waiting'),
      { value: 'waiting', name: 'waiting' },
      { value: 'late', name: 'waiting for too long' },
      { value: 'answered', name: 'answered' },
    ],
  },
  {
    name: 'stars' as const,
    label: 'Stars',
    options: [
      all('any stars'),
      { value: '1,2', name: '1 or 2 stars' },
      { value: '3', name: '3 stars' },
      { value: '4,5', name: '4 or 5 stars' },
    ],
  },
  {
    name: 'mood' as const,
    label: 'How it sounds',
    options: [
      all('however it sounds'),
      ...MOODS.map(({ id, name }) => ({ value: id, name: `sounds ${name.toLowerCase()}` })),
    ],
  },
  {
    name: 'about' as const,
    label: 'What it is about',
    options: [all('about anything'), ...SUBJECTS.map(({ id, name }) => ({ value: id, name }))],
  },
  {
    name: 'place' as const,
    label: 'Place',
    options: [
      all('every place'),
      ...(data.value?.places ?? []).flatMap(({ place, name }) =>
        place === undefined ? [] : [{ value: String(place), name }],
      ),
    ],
  },
])
const waitingWords = computed(() => {
  const many = data.value?.all.answering.waiting ?? 0
  return many === 1
    ? 'One review of these days waits for an answer'
    : `${many} reviews of these days wait for an answer`
})
const isTemplates = ref(false)
const hours = ref<number>()
watch(data, (view) => (hours.value ??= view?.wantedHours), { immediate: true })
const hoursProblem = ref('')
async function setHours() {
  hoursProblem.value = ''
  try {
    await api(`${base.value}/reviews/wanted`, {
      method: 'PUT',
      body: wantedHoursSchema.validateSync({ hours: hours.value }),
    })
    await refresh()
    say.done('The wanted time is kept.')
  } catch (problem) {
    hoursProblem.value = Object.values(problemsOf(problem, 'hours'))[0]!
  }
}
</script>

<template>
  <div>
    <h1 class="hidden-but-read">What do people write about the client’s places, and who answers?</h1>
    <ScopeSentence />
    <p v-if="error" role="alert">{{ error.message }}</p>
    <p v-else-if="isLoading && !data" class="quiet">Reading the reviews …</p>
    <template v-if="data">
      <div class="row acts no-print">
        <DownloadMenu v-if="data.all.answering.reviews" kind="reviews" what="The reviews" />
        <Button
          v-if="session.mayWrite"
          label="Templates"
          size="small"
          outlined
          aria-haspopup="dialog"
          @click="isTemplates = true"
        />
      </div>
      <p v-if="data.all.answering.reviews === 0" class="quiet">
        Nobody wrote a review on these days, as far as is known. Reviews come with each sync of a listing, or from files
        under <NuxtLink :to="`/${slug}/imports`">Imports</NuxtLink>.
      </p>
      <template v-else>
        <p v-if="data.all.answering.waiting" class="no-print">
          <NuxtLink :to="{ query: { ...query, state: 'waiting' }, hash: '#list-heading' }">{{ waitingWords }}</NuxtLink>
        </p>
        <section aria-labelledby="come-to-heading">
          <h2 id="come-to-heading" class="heading">What they come to</h2>
          <ReviewFiguresText :view="data" />
        </section>
        <section aria-labelledby="about-heading">
          <h2 id="about-heading" class="heading">What they are about</h2>
          <ReviewSubjects :view="data" />
        </section>
        <section aria-labelledby="months-heading">
          <h2 id="months-heading" class="heading">Month by month</h2>
          <ReviewMonths :months="data.months" />
        </section>
      </template>
      <section v-if="data.rivals" aria-labelledby="rivals-heading">
        <h2 id="rivals-heading" class="heading">Beside rivals</h2>
        <RivalReviewsTable v-if="data.rivals.length" :view="data" />
        <p v-else class="quiet">
          No rival’s listing is read here. Add one on the network of listings under
          <NuxtLink :to="`/${slug}/profiles`">Profiles</NuxtLink>: what was written about it, and how it answers, then
          stands beside yours.
        </p>
      </section>
      <section aria-labelledby="list-heading">
        <h2 id="list-heading" class="heading">The reviews</h2>
        <div class="row choose no-print">
          <Select
            v-for="choice in CHOICES"
            :key="choice.name"
            :model-value="chosen(choice.name)"
            :options="choice.options"
            option-label="name"
            option-value="value"
            size="small"
            :aria-label="choice.label"
            @update:model-value="(value) => choose(choice.name, value)"
          />
        </div>
        <p v-if="list.error.value" role="alert">{{ list.error.value.message }}</p>
        <p v-else-if="reviews.length === 0" class="quiet">No review is like this.</p>
        <ReviewItem
          v-for="review in reviews"
          :key="`${review.profile} ${review.id} ${review.reply?.changedAt.getTime() ?? ''} ${review.about?.isByHand}`"
          :review="review"
          :time-zone="timeZone"
          :templates="templates.data.value ?? []"
          @changed="refresh"
        />
        <Button v-if="next" class="no-print" label="Show more" size="small" outlined @click="showMore" />
      </section>
      <form v-if="session.mayWrite" class="row wanted no-print" novalidate @submit.prevent="setHours">
        <NumberField
          id="wanted-hours"
          v-model="hours"
          label="Answers are wanted within"
          unit="hours"
          :problem="hoursProblem"
        />
        <Button type="submit" label="Keep" size="small" outlined aria-label="Keep the wanted time" />
      </form>
    </template>
    <TemplatesDialog
      v-if="isTemplates"
      :templates="templates.data.value ?? []"
      @close="isTemplates = false"
      @changed="refresh"
    />
  </div>
</template>

<style scoped>
.acts {
  justify-content: flex-end;
  margin: 10px 0 4px;
}
section {
  margin-bottom: 16px;
}
.choose {
  gap: 6px;
  margin: 4px 0 8px;
}
.wanted {
  align-items: end;
}
</style>
