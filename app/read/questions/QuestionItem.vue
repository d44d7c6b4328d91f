<script setup lang="ts">
/** A question with its answer, or a place to write one: it goes to the network at once. */
import { DateTime } from 'luxon'
import { questionAnswerSchema, type Question } from '~~/shared/read/questions'

const props = defineProps<{ question: Question; timeZone: string }>()
const emit = defineEmits<{ changed: [] }>()
const session = useSession()
const say = useSay()
const { base } = useClient()
const when = (at: Date) => DateTime.fromJSDate(at, { zone: props.timeZone }).toFormat('d MMM yyyy, HH:mm')
const isWriting = ref(false)
const problem = ref('')
const isSending = ref(false)
const form = reactive({ text: '' })
const { forget } = useKeptForm(`answer to ${base.value} ${props.question.profile} ${props.question.id}`, form)
const key = computed(() => `answer-${props.question.profile}-${props.question.id}`)
const words = computed(() => `“${props.question.text.slice(0, 60)}”`)
/** The owner may answer beside a visitor; the own answer stands once. */
const mayAnswer = computed(() => session.mayWrite && !props.question.answer?.isOwner)

async function send() {
  problem.value = ''
  isSending.value = true
  try {
    const { refusal } = await api<{ refusal: string }>(
      `${base.value}/questions/${props.question.profile}/${props.question.id}/answer`,
      { method: 'PUT', body: questionAnswerSchema.validateSync({ text: form.text }) },
    )
    if (refusal) return void (problem.value = `The network has refused the answer: ${refusal}`)
    forget()
    isWriting.value = false
    say.done('The answer was sent.')
    emit('changed')
  } catch (trouble) {
    problem.value = Object.values(problemsOf(trouble, 'text'))[0]!
  } finally {
    isSending.value = false
  }
}
</script>

<template>
  <li>
    <p class="asked">
      <strong>{{ question.text }}</strong>
    </p>
    <p class="quiet small">
      {{ question.author }}, {{ when(question.askedAt) }}, {{ question.place?.name ?? question.listing
      }}<template v-if="question.wanted"
        >; {{ question.wanted }} {{ question.wanted === 1 ? 'other wants' : 'others want' }} to know it too</template
      >
    </p>
    <blockquote v-if="question.answer">
      {{ question.answer.text }}
      <span class="quiet small"
        >{{ question.answer.isOwner ? 'The owner' : `${question.answer.by}, a visitor` }},
        {{ when(question.answer.answeredAt) }}</span
      >
    </blockquote>
    <p v-else class="quiet small">Nobody has answered it yet.</p>
    <template v-if="mayAnswer">
      <Button
        v-if="!isWriting"
        :label="question.answer ? 'Answer as the owner' : 'Answer'"
        size="small"
        outlined
        :aria-label="`Answer ${words}`"
        @click="isWriting = true"
      />
      <form v-else novalidate @submit.prevent="send">
        <label :for="key" class="hidden-but-read">Answer to {{ words }}</label>
        <Textarea :id="key" v-model="form.text" rows="2" fluid :maxlength="1000" :invalid="!!problem" />
        <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
        <span class="row">
          <Button type="submit" label="Send it" size="small" :loading="isSending" />
          <Button label="Not now" size="small" text @click="isWriting = false" />
        </span>
      </form>
    </template>
  </li>
</template>

<style scoped>
li {
  padding: 10px 0;
  border-bottom: 1px solid var(--rule);
}
p {
  margin: 2px 0;
}
blockquote {
  margin: 4px 0 4px 14px;
}
.small {
  font-size: var(--text-small);
}
form {
  max-width: 44rem;
}
</style>
