<script setup lang="ts">
/** A review with what it is about, its answer, and what is done next. */
import { DateTime } from 'luxon'
import { MOODS, SUBJECTS } from '~~/core/reviews/reviewAbout'
import { replySchema, type ReplyTemplate, type Review } from '~~/shared/read/reviews'

const props = defineProps<{ review: Review; timeZone: string; templates: readonly ReplyTemplate[] }>()
const emit = defineEmits<{ changed: [] }>()
const session = useSession()
const say = useSay()
const locale = useLocale()
const { base } = useClient()
const address = computed(() => `${base.value}/reviews/${props.review.profile}/${props.review.id}`)
const when = (at: Date) => DateTime.fromJSDate(at, { zone: props.timeZone }).toFormat('d MMM yyyy, HH:mm')
const languageOf = (code: string) => {
  try {
    return new Intl.DisplayNames(locale, { type: 'language' }).of(code) ?? code
  } catch {
    return code
  }
}
const moodName = (id: string) => MOODS.find((mood) => mood.id === id)!.name.toLowerCase()
const subjectName = (id: string) => SUBJECTS.find((subject) => subject.id === id)!.name
const text = ref(props.review.reply?.text ?? '')
const isWriting = ref(false)
const isReading = ref(false)
const problem = ref('')
const isBusy = ref(false)
const mood = ref<string>(props.review.about?.mood ?? 'plain')
const subjects = ref<string[]>([...(props.review.about?.subjects ?? [])])
const template = ref<number>()
const key = computed(() => `${props.review.profile}-${props.review.id}`)

/** Does something to the review, and asks for it again. */
async function act(work: () => Promise<unknown>, done: string) {
  problem.value = ''
  isBusy.value = true
  try {
    await work()
    if (done) say.done(done)
    emit('changed')
    return true
  } catch (trouble) {
    problem.value = Object.values(problemsOf(trouble, 'text'))[0]!
    return false
  } finally {
    isBusy.value = false
  }
}
async function keep() {
  const isKept = await act(
    () => api(`${address.value}/reply`, { method: 'PUT', body: replySchema.validateSync({ text: text.value }) }),
    'The draft is kept.',
  )
  if (isKept) isWriting.value = false
}
const move = (state: 'draft' | 'approved' | 'sent') =>
  act(
    async () => {
      const answer = await api<{ state: string; refusal: string }>(`${address.value}/state`, {
        method: 'PUT',
        body: { state },
      })
      if (answer.state === 'refused') say.problem(new Error(`The network has refused the answer: ${answer.refusal}`))
      else if (state === 'sent') say.done('The answer was sent.')
    },
    state === 'approved' ? 'The answer is approved. It can be sent.' : '',
  )
const drop = () => act(() => api(`${address.value}/reply`, { method: 'DELETE' }), 'The draft was removed.')
async function read() {
  const isRead = await act(
    () => api(`${address.value}/reading`, { method: 'PUT', body: { mood: mood.value, subjects: subjects.value } }),
    'That counts from now on.',
  )
  if (isRead) isReading.value = false
}
async function unread() {
  await act(() => api(`${address.value}/reading`, { method: 'DELETE' }), 'Its words count again.')
  isReading.value = false
}
async function fill(id: number) {
  try {
    text.value = (await api<{ text: string }>(`${address.value}/proposed`, { query: { template: id } })).text
  } catch (trouble) {
    problem.value = (trouble as Error).message
  }
}
function write() {
  text.value = props.review.reply?.text ?? ''
  isWriting.value = true
}
</script>

<template>
  <article :aria-label="`Review of ${review.place?.name ?? review.listing} by ${review.author || 'somebody'}`">
    <p class="row head">
      <strong>{{ review.stars === null ? 'no stars' : `${review.stars} ★` }}</strong>
      <span>{{ review.place?.name ?? review.listing }}</span>
      <span class="quiet"
        >{{ review.author || 'somebody' }}, {{ when(review.writtenAt) }}, {{ languageOf(review.language) }}</span
      >
      <span v-if="review.isLate" class="late">waits for too long</span>
      <span v-else-if="!review.answeredAt" class="quiet">waits</span>
    </p>
    <p v-if="review.text" class="words" :lang="review.language">{{ review.text }}</p>
    <p v-else class="quiet">Stars without words.</p>
    <p v-if="review.text" class="quiet small">
      <template v-if="review.about"
        >Sounds {{ moodName(review.about.mood)
        }}{{
          review.about.subjects.length
            ? `; about ${review.about.subjects.map(subjectName).join(', ').toLowerCase()}`
            : ''
        }}{{ review.about.isByHand ? ', as somebody has read it' : '' }}</template
      ><template v-else>The words of its language are not known here</template>.
      <button
        v-if="session.mayWrite"
        type="button"
        class="bare no-print"
        :aria-expanded="isReading"
        :aria-label="`Say how it sounds: review by ${review.author}`"
        @click="isReading = !isReading"
      >
        Say otherwise
      </button>
    </p>
    <form v-if="isReading" class="no-print" @submit.prevent="read">
      <fieldset>
        <legend>How it sounds</legend>
        <label v-for="each in MOODS" :key="each.id"
          ><input v-model="mood" type="radio" :name="`mood-${key}`" :value="each.id" /> {{ each.name }}</label
        >
      </fieldset>
      <fieldset>
        <legend>What it is about</legend>
        <label v-for="each in SUBJECTS" :key="each.id"
          ><input v-model="subjects" type="checkbox" :value="each.id" /> {{ each.name }}</label
        >
      </fieldset>
      <div class="row">
        <Button type="submit" label="Keep this reading" size="small" :loading="isBusy" />
        <Button
          v-if="review.about?.isByHand"
          type="button"
          label="Back to its words"
          text
          size="small"
          @click="unread"
        />
      </div>
    </form>
    <blockquote v-if="review.answer">
      {{ review.answer }}
      <span v-if="review.answeredAt" class="quiet small">answered {{ when(review.answeredAt) }}</span>
    </blockquote>
    <template v-else-if="session.mayWrite">
      <blockquote v-if="review.reply && !isWriting">
        {{ review.reply.text }}
        <span class="quiet small">{{
          review.reply.state === 'refused' ? `refused: ${review.reply.refusal}` : review.reply.state
        }}</span>
      </blockquote>
      <div v-if="review.reply && !isWriting" class="row no-print">
        <Button
          v-if="review.reply.state === 'approved'"
          label="Send it"
          size="small"
          :loading="isBusy"
          @click="move('sent')"
        />
        <Button
          v-if="review.reply.state === 'draft'"
          label="Approve"
          size="small"
          :loading="isBusy"
          @click="move('approved')"
        />
        <Button
          v-if="review.reply.state === 'approved'"
          label="Back to a draft"
          text
          size="small"
          @click="move('draft')"
        />
        <Button label="Change the answer" text size="small" @click="write" />
        <Button label="Remove the draft" text size="small" @click="drop" />
      </div>
      <form v-else-if="isWriting" class="no-print" @submit.prevent="keep">
        <div v-if="templates.length" class="row">
          <Select
            v-model="template"
            :options="[...templates]"
            option-label="name"
            option-value="id"
            size="small"
            placeholder="From a template"
            aria-label="From a template"
            @update:model-value="fill"
          />
        </div>
        <Textarea v-model="text" rows="3" fluid :maxlength="1000" aria-label="Answer" :lang="review.language" />
        <div class="row">
          <Button type="submit" label="Keep as a draft" size="small" :loading="isBusy" />
          <Button type="button" label="Leave it" text size="small" @click="isWriting = false" />
        </div>
      </form>
      <Button
        v-else
        class="no-print"
        label="Answer"
        size="small"
        outlined
        :aria-label="`Answer the review by ${review.author}`"
        @click="write"
      />
    </template>
    <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
  </article>
</template>

<style scoped>
article {
  border-top: 1px solid var(--rule);
  padding: 9px 0 10px;
}
.head {
  gap: 4px 12px;
  margin: 0;
}
.late {
  color: var(--worse);
  font-weight: 600;
}
.words {
  font-family: var(--serif);
  margin: 3px 0;
}
.small {
  font-size: var(--text-small);
}
.bare {
  color: var(--zaffer);
  text-decoration: underline;
}
blockquote {
  border-left: 2px solid var(--rule2);
  margin: 5px 0;
  padding: 0 0 0 10px;
}
fieldset {
  border: 0;
  padding: 0;
  margin: 4px 0;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
}
legend {
  font-size: var(--text-label);
  color: var(--ink2);
}
</style>
