<script setup lang="ts">
/** Texts that are kept to be used again: looked for, taken, kept, changed and removed. */
import { savedTextSchema, type SavedText } from '~~/shared/plan/savedTexts'

const props = defineProps<{ text: string }>()
const emit = defineEmits<{ close: []; take: [text: string] }>()
const say = useSay()
const { slug, base } = useClient()
const words = ref('')
const sought = refDebounced(words, 200)
const { data, error, refetch } = useQuery({
  key: () => ['plan', slug.value, 'texts', sought.value],
  query: () => api<{ texts: SavedText[]; all: number }>(`${base.value}/plan/texts`, { query: { words: sought.value } }),
  placeholderData: (previous) => previous,
})
const remove = useRemoval(() => refetch())
/** The text that is written now can be kept; one that is there can be changed. */
const form = reactive<{ id?: number; name: string; text: string }>({ name: '', text: props.text })
const problems = ref<Record<string, string>>({})
function change({ id, name, text }: SavedText) {
  Object.assign(form, { id, name, text })
  problems.value = {}
}
async function keep() {
  problems.value = {}
  try {
    const { id, ...given } = form
    const body = savedTextSchema.validateSync(given, { abortEarly: false })
    const address = `${base.value}/plan/texts`
    await api(id ? `${address}/${id}` : address, { method: id ? 'PUT' : 'POST', body })
    Object.assign(form, { id: undefined, name: '', text: props.text })
    await refetch()
    say.done(`“${body.name}” is kept.`)
  } catch (trouble) {
    problems.value = problemsOf(trouble, 'name')
  }
}
</script>

<template>
  <OpeningDialog label="Saved texts" width="38rem" @close="emit('close')">
    <div class="field">
      <label for="texts-words">Look for words</label>
      <InputText id="texts-words" v-model="words" size="small" fluid :maxlength="80" autofocus />
    </div>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <p v-else-if="data && data.texts.length === 0" class="quiet">
      {{ words ? 'No text has these words.' : 'No text is kept yet. Keep the first below.' }}
    </p>
    <ul v-else-if="data" aria-label="Saved texts">
      <li v-for="each in data.texts" :key="each.id">
        <div class="grow">
          <b>{{ each.name }}</b
          ><br /><span class="quiet">{{ each.text }}</span>
        </div>
        <Button
          type="button"
          label="Take it"
          size="small"
          :aria-label="`Take ${each.name}`"
          @click="emit('take', each.text)"
        />
        <Button
          type="button"
          label="Change"
          text
          size="small"
          :aria-label="`Change ${each.name}`"
          @click="change(each)"
        />
        <Button
          type="button"
          label="Remove"
          text
          size="small"
          :aria-label="`Remove ${each.name}`"
          @click="remove(`${base}/plan/texts/${each.id}`, `“${each.name}” was removed.`)"
        />
      </li>
    </ul>
    <p v-if="data && data.all > data.texts.length" class="quiet">
      {{ data.texts.length }} of {{ data.all }}: look for words to see others.
    </p>
    <form novalidate @submit.prevent.stop="keep">
      <h3 class="heading">{{ form.id ? 'Change this text' : 'Keep a text' }}</h3>
      <div class="field">
        <label for="text-name">Name</label>
        <InputText id="text-name" v-model="form.name" size="small" fluid :maxlength="80" :invalid="!!problems.name" />
        <p v-if="problems.name" class="field-error" role="alert">{{ problems.name }}</p>
      </div>
      <div class="field">
        <label for="text-text">Text</label>
        <Textarea id="text-text" v-model="form.text" rows="3" auto-resize fluid :invalid="!!problems.text" />
        <p v-if="problems.text" class="field-error" role="alert">{{ problems.text }}</p>
      </div>
      <Button type="submit" :label="form.id ? 'Change it' : 'Keep it'" outlined size="small" />
    </form>
  </OpeningDialog>
</template>

<style scoped>
ul {
  list-style: none;
  max-height: 40vh;
  overflow-y: auto;
}
li {
  display: flex;
  gap: 8px;
  align-items: center;
  border-top: 1px solid var(--rule);
  padding: 6px 0;
}
.grow {
  flex: 1;
  overflow-wrap: anywhere;
}
form {
  border-top: 1px solid var(--rule2);
  margin-top: 10px;
  padding-top: 8px;
}
</style>
