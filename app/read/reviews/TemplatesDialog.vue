<script setup lang="ts">
/** Templates of answers: each with a name and texts, of which one is taken after the other. */
import { REPLY_FIELDS } from '~~/core/reviews/filledIn'
import { templateSchema, type ReplyTemplate } from '~~/shared/read/reviews'

defineProps<{ templates: readonly ReplyTemplate[] }>()
const emit = defineEmits<{ close: []; changed: [] }>()
const say = useSay()
const { base } = useClient()
const remove = useRemoval(() => emit('changed'))
const edited = ref<number | 'new'>()
const form = reactive({ name: '', variants: [''] })
const problems = ref<Record<string, string>>({})
const MOST_VARIANTS = 10
function edit(template: ReplyTemplate | undefined) {
  edited.value = template?.id ?? 'new'
  Object.assign(form, { name: template?.name ?? '', variants: [...(template?.variants ?? [''])] })
  problems.value = {}
}
async function save() {
  problems.value = {}
  try {
    const body = templateSchema.validateSync(form, { abortEarly: false })
    const isNew = edited.value === 'new'
    await api(isNew ? `${base.value}/reply-templates` : `${base.value}/reply-templates/${edited.value}`, {
      method: isNew ? 'POST' : 'PUT',
      body,
    })
    edited.value = undefined
    say.done('The template is kept.')
    emit('changed')
  } catch (error) {
    problems.value = problemsOf(error, 'name')
  }
}
</script>

<template>
  <OpeningDialog label="Templates of answers" width="36rem" @close="emit('close')">
    <p class="quiet">
      A field in braces is filled in:
      <template v-for="({ field, name }, index) in REPLY_FIELDS" :key="field"
        >{{ index ? ', ' : '' }}<code>{{ `{${field}\}` }}</code> {{ name }}</template
      >. Of several texts one is taken after the other, so that answers do not all read alike.
    </p>
    <ul v-if="edited === undefined">
      <li v-for="template in templates" :key="template.id" class="row">
        <span
          >{{ template.name }}
          <span class="quiet"
            >{{ template.variants.length }} {{ template.variants.length === 1 ? 'text' : 'texts' }}</span
          ></span
        >
        <Button label="Change" text size="small" :aria-label="`Change ${template.name}`" @click="edit(template)" />
        <Button
          label="Remove"
          text
          size="small"
          :aria-label="`Remove ${template.name}`"
          @click="remove(`${base}/reply-templates/${template.id}`, `“${template.name}” was removed.`)"
        />
      </li>
      <li v-if="templates.length === 0" class="quiet">There is none yet.</li>
    </ul>
    <Button v-if="edited === undefined" label="A new template" size="small" @click="edit(undefined)" />
    <form v-else novalidate @submit.prevent="save">
      <div class="field">
        <label for="template-name">Name</label>
        <InputText id="template-name" v-model="form.name" fluid :maxlength="80" :invalid="!!problems.name" />
        <p v-if="problems.name" class="field-error" role="alert">{{ problems.name }}</p>
      </div>
      <div v-for="(_, index) in form.variants" :key="index" class="field">
        <label :for="`template-text-${index}`">Text {{ index + 1 }}</label>
        <Textarea :id="`template-text-${index}`" v-model="form.variants[index]" rows="2" fluid :maxlength="1000" />
        <p v-if="problems[`variants[${index}]`]" class="field-error" role="alert">
          {{ problems[`variants[${index}]`] }}
        </p>
        <Button
          v-if="form.variants.length > 1"
          type="button"
          label="Take this text away"
          text
          size="small"
          :aria-label="`Take text ${index + 1} away`"
          @click="form.variants.splice(index, 1)"
        />
      </div>
      <div class="row">
        <Button type="submit" label="Keep it" />
        <Button
          v-if="form.variants.length < MOST_VARIANTS"
          type="button"
          label="Another text"
          text
          size="small"
          @click="form.variants.push('')"
        />
        <Button type="button" label="Back to the list" text size="small" @click="edited = undefined" />
      </div>
    </form>
  </OpeningDialog>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
}
li {
  justify-content: flex-start;
}
</style>
