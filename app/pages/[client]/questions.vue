<script setup lang="ts">
import type { Question, QuestionsView } from '~~/shared/read/questions'

definePageMeta({ margin: true, scope: true })
useHead({ title: 'Questions · Zaffer' })
const { query, push } = usePageAddress()
const say = useSay()
const refreshAll = useRefresh()
const { slug, base } = useClient()
const { address, description } = useScope()
const timeZone = computed(() => description.data.value?.client.timeZone ?? 'UTC')
const state = computed(() => (typeof query.value.state === 'string' ? query.value.state : ''))
const { data, error, isLoading } = useQuery({
  key: () => ['questions', slug.value, address.value, state.value],
  query: () => api<QuestionsView>(`${base.value}/questions`, { query: { ...address.value, state: state.value } }),
  placeholderData: (previous) => previous,
})
/** What further pages have brought, until something changes. */
const more = ref<Question[]>([])
const next = ref<string>()
watch(
  data,
  (page) => {
    more.value = []
    next.value = page?.next
  },
  { immediate: true },
)
const questions = computed(() => [...(data.value?.questions ?? []), ...more.value])
/** No choice has an empty value: a list shows none then. */
const ALL = 'all'
const STATES = [
  { value: ALL, name: 'answered and waiting' },
  { value: 'waiting', name: 'waiting' },
  { value: 'owner', name: 'answered by the owner' },
  { value: 'visitor', name: 'answered by a visitor alone' },
]
const refresh = () => refreshAll('questions')

async function showMore() {
  try {
    const page = await api<QuestionsView>(`${base.value}/questions`, {
      query: { ...address.value, state: state.value, after: next.value },
    })
    more.value = [...more.value, ...page.questions]
    next.value = page.next
  } catch (problem) {
    say.problem(problem)
  }
}
</script>

<template>
  <div>
    <h1 class="hidden-but-read">What do people ask about the client’s places, and who answers?</h1>
    <ScopeSentence />
    <p v-if="error" role="alert">{{ error.message }}</p>
    <p v-else-if="isLoading && !data" class="quiet">Fetching the questions …</p>
    <template v-else-if="data">
      <section aria-labelledby="asked-heading">
        <div class="row head">
          <h2 id="asked-heading" class="heading">Asked in these days</h2>
          <DownloadMenu v-if="data.listings.length" kind="questions" what="The questions" />
        </div>
        <QuestionsTable v-if="data.listings.length" :listings="data.listings" />
        <p v-else class="quiet">Nobody asked anything about the places in these days.</p>
      </section>
      <section v-if="data.listings.length" aria-labelledby="questions-heading">
        <div class="row head">
          <h2 id="questions-heading" class="heading">Questions, the newest first</h2>
          <Select
            :model-value="state || ALL"
            :options="STATES"
            option-label="name"
            option-value="value"
            size="small"
            aria-label="Answered or waiting"
            @update:model-value="(value) => push({ state: value === ALL ? undefined : value })"
          />
        </div>
        <p v-if="questions.length === 0" class="quiet">No question of these days is like that.</p>
        <ul v-else>
          <QuestionItem
            v-for="question in questions"
            :key="`${question.profile} ${question.id}`"
            :question="question"
            :time-zone="timeZone"
            @changed="refresh"
          />
        </ul>
        <Button v-if="next" label="Show more" size="small" outlined @click="showMore" />
      </section>
    </template>
  </div>
</template>

<style scoped>
section {
  margin-bottom: 16px;
}
.head {
  justify-content: space-between;
}
ul {
  list-style: none;
  padding: 0;
  margin: 0 0 8px;
}
</style>
