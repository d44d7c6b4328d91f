<script setup lang="ts">
/** What a post says: one text for all, its own for a network where that is wanted, and words that may vary. */
import type { PlannedInput } from '~~/shared/plan/plannedPosts'
import type { Standing } from './composed'

const props = defineProps<{ standings: readonly Standing[]; problems: Record<string, string> }>()
const form = defineModel<PlannedInput>({ required: true })
const field = useTemplateRef<{ $el: HTMLTextAreaElement }>('field')
const isOwn = (profile: number) => form.value.postings.some((each) => each.profile === profile && each.text !== null)
const setOwn = (profile: number, text: string | null) =>
  (form.value.postings = form.value.postings.map((each) => (each.profile === profile ? { ...each, text } : each)))
const ownText = (profile: number) => form.value.postings.find((each) => each.profile === profile)?.text ?? ''
const leaveOut = (profile: number) =>
  (form.value.postings = form.value.postings.filter((each) => each.profile !== profile))
const open = ref<'saved' | 'emoji' | 'names'>()
/** What is taken stands where the cursor is. */
function take(text: string) {
  const at = field.value!.$el.selectionEnd
  form.value.text = form.value.text.slice(0, at) + text + form.value.text.slice(at)
  open.value = undefined
}
/** A name stands apart from the words around it. */
function takeName(name: string) {
  const before = form.value.text.slice(0, field.value!.$el.selectionEnd)
  take(`${before === '' || /\s$/.test(before) ? '' : ' '}${name} `)
}
const networks = computed(() => props.standings.map(({ target }) => target.network))
const advice = ref('')
/** Marks the words that are chosen in the text as ones that vary. */
function vary() {
  const { selectionStart: from, selectionEnd: to } = field.value!.$el
  const phrase = form.value.text.slice(from, to).trim()
  advice.value = ''
  if (phrase === '') advice.value = 'Choose the words in the text first, with the pointer or with Shift and the arrows.'
  else if (form.value.variations.some((each) => each.phrase === phrase)) advice.value = `“${phrase}” varies already.`
  else form.value.variations = [...form.value.variations, { phrase, others: [''] }]
}
const isThere = (phrase: string) =>
  [form.value.text, ...form.value.postings.map(({ text }) => text ?? '')].some((text) => text.includes(phrase))
const names = computed(
  () => new Map(props.standings.map(({ target }) => [target.id, `${target.name}, ${target.networkName}`])),
)
</script>

<template>
  <div>
    <div class="field">
      <label for="post-text">Text for all</label>
      <Textarea id="post-text" ref="field" v-model="form.text" rows="5" auto-resize fluid :invalid="!!problems.text" />
      <LettersLeft :text="form.text" :most="10_000" />
      <p v-if="problems.text" class="field-error" role="alert">{{ problems.text }}</p>
    </div>
    <div class="row">
      <Button type="button" label="Vary the chosen words" text size="small" @click="vary" />
      <Button type="button" label="Saved texts" text size="small" aria-haspopup="dialog" @click="open = 'saved'" />
      <Button type="button" label="Name somebody" text size="small" aria-haspopup="dialog" @click="open = 'names'" />
      <Button type="button" label="Emoji" text size="small" aria-haspopup="dialog" @click="open = 'emoji'" />
      <span v-if="advice" class="quiet" role="status">{{ advice }}</span>
    </div>
    <SavedTextsDialog v-if="open === 'saved'" :text="form.text" @close="open = undefined" @take="take" />
    <NameSomebodyDialog v-if="open === 'names'" :networks="networks" @close="open = undefined" @take="takeName" />
    <EmojiDialog v-if="open === 'emoji'" @close="open = undefined" @take="take" />
    <div v-for="(variation, index) in form.variations" :key="index" class="varied">
      <p class="row">
        <span
          >“{{ variation.phrase }}” may also be said as
          <span v-if="!isThere(variation.phrase)" class="field-error"
            >(these words stand in no text any more)</span
          ></span
        >
        <Button
          type="button"
          label="Vary no more"
          text
          size="small"
          :aria-label="`Do not vary “${variation.phrase}” any more`"
          @click="form.variations.splice(index, 1)"
        />
      </p>
      <div v-for="(_, other) in variation.others" :key="other" class="row">
        <InputText
          v-model="variation.others[other]"
          size="small"
          :aria-label="`Another way to say “${variation.phrase}”, ${other + 1}`"
          :invalid="!!problems[`variations[${index}].others[${other}]`]"
        />
        <Button
          v-if="variation.others.length > 1"
          type="button"
          label="Take away"
          text
          size="small"
          @click="variation.others.splice(other, 1)"
        />
        <span v-if="problems[`variations[${index}].others[${other}]`]" class="field-error" role="alert">{{
          problems[`variations[${index}].others[${other}]`]
        }}</span>
      </div>
      <Button
        v-if="variation.others.length < 10"
        type="button"
        label="And another way"
        text
        size="small"
        @click="variation.others.push('')"
      />
    </div>
    <ul>
      <li v-for="{ target, words, problems: wrong } in standings" :key="target.id">
        <div class="row">
          <b>{{ names.get(target.id) }}</b>
          <span class="quiet">{{ isOwn(target.id) ? 'its own text' : 'the text for all' }}, {{ words }}</span>
          <Button
            type="button"
            :label="isOwn(target.id) ? 'Use the text for all' : 'Write its own text'"
            text
            size="small"
            :aria-label="`${isOwn(target.id) ? 'Use the text for all' : 'Write its own text'}: ${names.get(target.id)}`"
            @click="setOwn(target.id, isOwn(target.id) ? null : form.text)"
          />
        </div>
        <Textarea
          v-if="isOwn(target.id)"
          :model-value="ownText(target.id)"
          rows="3"
          auto-resize
          fluid
          :aria-label="`Text on ${names.get(target.id)}`"
          @update:model-value="(text) => setOwn(target.id, text ?? '')"
        />
        <p v-for="{ sentence } in wrong" :key="sentence" class="field-error">{{ sentence }}</p>
        <Button
          v-if="wrong.length"
          type="button"
          label="Leave it out there"
          text
          size="small"
          :aria-label="`Leave out ${names.get(target.id)}`"
          @click="leaveOut(target.id)"
        />
      </li>
    </ul>
  </div>
</template>

<style scoped>
.varied {
  border-left: 2px solid var(--rule2);
  padding-left: 10px;
  margin: 4px 0 8px;
}
ul {
  list-style: none;
  margin: 8px 0 12px;
}
li {
  border-top: 1px solid var(--rule);
  padding: 4px 0;
}
</style>
