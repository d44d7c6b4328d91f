<script setup lang="ts">
/** A poll or a survey: what was asked, how, and how many gave each answer. */
import { HOW_CHOSEN, MOST_ANSWERS, pollSchema, type PollView } from '~~/shared/read/polls'

const props = defineProps<{ poll?: PollView }>()
const emit = defineEmits<{ close: []; saved: [] }>()
const say = useSay()
const { base } = useClient()
const { description } = useScope()
const last = description.data.value?.lastComplete ?? ''
const form = reactive({
  question: props.poll?.question ?? '',
  asked: props.poll?.asked ?? '',
  chosen: props.poll?.chosen ?? ('themselves' as keyof typeof HOW_CHOSEN),
  from: props.poll?.from ?? last,
  to: props.poll?.to ?? last,
  isMultiple: props.poll?.isMultiple ?? false,
  people: props.poll?.isMultiple ? String(props.poll.people) : '',
  answers: (
    props.poll?.answers ?? [
      { text: '', count: '' },
      { text: '', count: '' },
    ]
  ).map(({ text, count }) => ({ text, count: String(count) })),
})
const { forget, isBack, beginAnew } = useKeptForm(`poll ${props.poll?.id ?? ''} of ${base.value}`, form)
const problems = ref<Record<string, string>>({})
const isSaving = ref(false)
/** A number as people write it, with blanks or commas between thousands; anything else is left to the schema. */
const counted = (text: string) => (text.trim() === '' ? undefined : text.replace(/[\s,.’'](?=\d{3}\b)/g, ''))
const problemOf = (index: number) =>
  problems.value[`answers[${index}].text`] ?? problems.value[`answers[${index}].count`]

async function save() {
  problems.value = {}
  isSaving.value = true
  try {
    const body = pollSchema.validateSync(
      {
        ...form,
        people: form.isMultiple ? counted(form.people) : null,
        answers: form.answers
          .filter(({ text, count }) => text.trim() !== '' || count.trim() !== '')
          .map(({ text, count }) => ({ text, count: counted(count) })),
      },
      { abortEarly: false },
    )
    await api(props.poll ? `${base.value}/polls/${props.poll.id}` : `${base.value}/polls`, {
      method: props.poll ? 'PUT' : 'POST',
      body,
    })
    forget()
    emit('saved')
    say.done(props.poll ? 'The poll is changed.' : 'The poll is written down.')
  } catch (error) {
    problems.value = problemsOf(error, 'question')
  } finally {
    isSaving.value = false
  }
}
</script>

<template>
  <OpeningDialog :label="poll ? 'Change the poll' : 'A poll or survey'" width="36rem" @close="emit('close')">
    <form novalidate @submit.prevent="save">
      <TypedBefore :is-back="isBack" @anew="beginAnew" />
      <div class="field">
        <label for="poll-question">Question</label>
        <InputText id="poll-question" v-model="form.question" fluid :maxlength="300" :invalid="!!problems.question" />
        <p v-if="problems.question" class="field-error" role="alert">{{ problems.question }}</p>
      </div>
      <div class="field">
        <label for="poll-asked">How people were asked</label>
        <InputText
          id="poll-asked"
          v-model="form.asked"
          fluid
          :maxlength="300"
          placeholder="In a story, on the boat, by letter to the subscribers …"
          :invalid="!!problems.asked"
        />
        <p v-if="problems.asked" class="field-error" role="alert">{{ problems.asked }}</p>
      </div>
      <fieldset>
        <legend>How they came to answer</legend>
        <label v-for="(words, id) in HOW_CHOSEN" :key="id"
          ><input v-model="form.chosen" type="radio" name="poll-chosen" :value="id" /> {{ words }}</label
        >
      </fieldset>
      <div class="row">
        <DayField id="poll-from" v-model="form.from" label="From" :problem="problems.from" />
        <DayField id="poll-to" v-model="form.to" label="To" :problem="problems.to" />
      </div>
      <label class="row"><input v-model="form.isMultiple" type="checkbox" /> People could give several answers</label>
      <div v-if="form.isMultiple" class="field">
        <label for="poll-people">People who answered</label>
        <InputText id="poll-people" v-model="form.people" inputmode="numeric" :invalid="!!problems.people" />
        <p v-if="problems.people" class="field-error" role="alert">{{ problems.people }}</p>
      </div>
      <ol>
        <li v-for="(answer, index) in form.answers" :key="index">
          <div class="row">
            <InputText v-model="answer.text" :maxlength="120" class="answer" :aria-label="`Answer ${index + 1}`" />
            <InputText
              v-model="answer.count"
              inputmode="numeric"
              class="count"
              placeholder="People"
              :aria-label="`People who gave answer ${index + 1}`"
            />
            <Button
              v-if="form.answers.length > 2"
              label="Remove"
              text
              size="small"
              :aria-label="`Remove answer ${index + 1}`"
              @click="form.answers.splice(index, 1)"
            />
          </div>
          <p v-if="problemOf(index)" class="field-error" role="alert">{{ problemOf(index) }}</p>
        </li>
      </ol>
      <p v-if="problems.answers" class="field-error" role="alert">{{ problems.answers }}</p>
      <div class="row">
        <Button
          v-if="form.answers.length < MOST_ANSWERS"
          label="One more answer"
          outlined
          size="small"
          @click="form.answers.push({ text: '', count: '' })"
        />
        <Button type="submit" :label="poll ? 'Change it' : 'Write it down'" :loading="isSaving" />
      </div>
    </form>
  </OpeningDialog>
</template>

<style scoped>
fieldset {
  border: 0;
  padding: 0;
  margin: 0 0 10px;
  display: flex;
  gap: 14px;
  flex-wrap: wrap;
}
legend {
  font-weight: 600;
  color: var(--ink2);
  font-size: var(--text-label);
}
ol {
  list-style: none;
  padding: 0;
  margin: 8px 0;
  display: grid;
  gap: 5px;
}
.answer {
  flex: 1;
}
.count {
  width: 7rem;
  text-align: right;
}
</style>
