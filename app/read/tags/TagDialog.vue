<script setup lang="ts">
/** A tag's name and colour. */
import type { ValidationError } from 'yup'
import { tagSchema, type TagView } from '~~/shared/read/tags'

const props = defineProps<{ tag?: TagView; usual: number }>()
const emit = defineEmits<{ close: []; saved: [] }>()
const say = useSay()
const { base } = useClient()
const form = reactive({ name: props.tag?.name ?? '', colour: props.tag?.colour ?? props.usual })
const COLOURS = ['Blue', 'Green', 'Rust', 'Violet', 'Ochre', 'Slate', 'Rose', 'Teal']
const problems = ref<Record<string, string>>({})
const isSaving = ref(false)

async function save() {
  problems.value = {}
  isSaving.value = true
  try {
    const body = tagSchema.validateSync(form, { abortEarly: false })
    await api(props.tag ? `${base.value}/tags/${props.tag.id}` : `${base.value}/tags`, {
      method: props.tag ? 'PUT' : 'POST',
      body,
    })
    emit('saved')
    say.done(props.tag ? 'The tag is changed.' : 'The tag is there. Set it by a rule, or on the page Content by hand.')
  } catch (error) {
    const { inner } = error as ValidationError
    problems.value = inner
      ? Object.fromEntries(inner.map(({ path, message }) => [path, message]))
      : { name: (error as Error).message, ...(error as ApiProblem).fields }
  } finally {
    isSaving.value = false
  }
}
</script>

<template>
  <OpeningDialog :label="tag ? 'Change the tag' : 'A new tag'" width="24rem" @close="emit('close')">
    <form @submit.prevent="save">
      <div class="field">
        <label for="tag-name">Name</label
        ><InputText
          id="tag-name"
          v-model="form.name"
          fluid
          :maxlength="40"
          :aria-describedby="problems.name ? 'tag-name-problem' : undefined"
        />
        <p v-if="problems.name" id="tag-name-problem" class="field-error" role="alert">{{ problems.name }}</p>
      </div>
      <fieldset>
        <legend>Colour</legend>
        <label v-for="(name, index) in COLOURS" :key="name"
          ><input v-model="form.colour" type="radio" name="tag-colour" :value="index + 1" /><TagName
            :name="name"
            :colour="index + 1"
        /></label>
      </fieldset>
      <Button type="submit" :label="tag ? 'Change it' : 'Make it'" :loading="isSaving" />
    </form>
  </OpeningDialog>
</template>

<style scoped>
fieldset {
  border: 0;
  display: grid;
  grid-template-columns: repeat(4, 1fr);
  gap: 4px 10px;
  margin: 6px 0 12px;
}
legend {
  color: var(--ink2);
  margin-bottom: 3px;
}
fieldset label {
  display: flex;
  gap: 5px;
  align-items: center;
}
</style>
