<script setup lang="ts">
/** What posts have to be for a rule to tag them, with what that would be before it is kept. */
import type { ValidationError } from 'yup'
import { POST_FORMATS } from '~~/core/networks/postFormats'
import { describeDay } from '~~/core/periods/describePeriod'
import { tagRuleSchema, type TagPreview, type TagRuleView, type TagView } from '~~/shared/read/tags'

const props = defineProps<{ tag: TagView; rule?: TagRuleView }>()
const emit = defineEmits<{ close: []; saved: [] }>()
const say = useSay()
const locale = useLocale()
const { base } = useClient()
const { description } = useScope()
const form = reactive({
  any: props.rule?.any ?? '',
  all: props.rule?.all ?? '',
  none: props.rule?.none ?? '',
  hashtags: props.rule?.hashtags ?? '',
  formats: props.rule?.formats ? props.rule.formats.split(',') : ([] as string[]),
  who: props.rule?.who ?? 'all',
  from: props.rule?.from ?? '',
  to: props.rule?.to ?? '',
})
const FIELDS = [
  { key: 'any', label: 'Any of these words' },
  { key: 'all', label: 'All of these words' },
  { key: 'none', label: 'None of these words' },
  { key: 'hashtags', label: 'Any of these hashtags' },
] as const
const formats = POST_FORMATS.map((id) => ({ id, name: id }))
const whoChoices = computed(() => {
  const known = description.data.value
  const choices = [
    { value: 'all', name: 'All profiles' },
    ...(known?.sets ?? []).map((set) => ({ value: `s${set.id}`, name: `${set.name} (set)` })),
    ...(known?.profiles ?? []).map(({ id, name, networkName }) => ({
      value: String(id),
      name: `${name}, ${networkName}`,
    })),
  ]
  return choices.some(({ value }) => value === form.who)
    ? choices
    : [...choices, { value: form.who, name: 'The profiles chosen before' }]
})
const problems = ref<Record<string, string>>({})
const isBusy = ref(false)
const preview = ref<TagPreview>()
watch(form, () => (preview.value = undefined))

const bodyOf = () =>
  tagRuleSchema.validateSync(
    {
      ...form,
      formats: form.formats.join(','),
      from: form.from || null,
      to: form.to || null,
      isOn: props.rule?.isOn ?? true,
    },
    { abortEarly: false },
  )
async function attempt(work: () => Promise<void>) {
  problems.value = {}
  isBusy.value = true
  try {
    await work()
  } catch (error) {
    const { inner } = error as ValidationError
    problems.value = inner
      ? Object.fromEntries(inner.map(({ path, message }) => [path, message]))
      : { form: (error as Error).message, ...(error as ApiProblem).fields }
  } finally {
    isBusy.value = false
  }
}
const look = () =>
  attempt(async () => {
    preview.value = await api<TagPreview>(`${base.value}/tags/${props.tag.id}/rules/preview`, {
      method: 'POST',
      body: bodyOf(),
    })
  })
const save = () =>
  attempt(async () => {
    await api(props.rule ? `${base.value}/tag-rules/${props.rule.id}` : `${base.value}/tags/${props.tag.id}/rules`, {
      method: props.rule ? 'PUT' : 'POST',
      body: bodyOf(),
    })
    emit('saved')
    say.done('The rule is kept. It tags what is there, and what comes with each sync.')
  })
const posts = (count: number) => `${count.toLocaleString(locale)} ${count === 1 ? 'post' : 'posts'}`
</script>

<template>
  <OpeningDialog
    :label="rule ? `Change a rule of “${tag.name}”` : `A rule that sets “${tag.name}”`"
    width="36rem"
    @close="emit('close')"
  >
    <form @submit.prevent="save">
      <p class="quiet">
        All that is filled in has to hold. Words are apart by blanks; “between quotation marks” several are one.
      </p>
      <div class="two">
        <div v-for="field in FIELDS" :key="field.key" class="field">
          <label :for="`rule-${field.key}`">{{ field.label }}</label
          ><InputText :id="`rule-${field.key}`" v-model="form[field.key]" fluid :maxlength="1000" />
          <p v-if="problems[field.key]" class="field-error" role="alert">{{ problems[field.key] }}</p>
        </div>
        <div class="field">
          <span>Formats</span
          ><MetricPicker
            :metrics="formats"
            :chosen="form.formats"
            :most="formats.length"
            label="Formats"
            :words="form.formats.length ? form.formats.join(', ') : 'Every format'"
            @choose="(ids) => (form.formats = ids)"
          />
        </div>
        <div class="field">
          <label for="rule-who">Of</label
          ><Select
            v-model="form.who"
            input-id="rule-who"
            :options="whoChoices"
            option-label="name"
            option-value="value"
            aria-label="Of which profiles"
          />
        </div>
        <DayField id="rule-from" v-model="form.from" label="From, if it begins" :problem="problems.from" />
        <DayField id="rule-to" v-model="form.to" label="To, if it ends" :problem="problems.to" />
      </div>
      <p v-if="problems.form" class="field-error" role="alert">{{ problems.form }}</p>
      <section v-if="preview" aria-label="What it would tag" class="preview" aria-live="polite">
        <p>
          <b>{{ posts(preview.matches) }}</b> {{ preview.matches === 1 ? 'is' : 'are' }} like that{{
            preview.rivals ? `, ${preview.rivals.toLocaleString(locale)} of them of rivals` : ''
          }}{{ preview.already ? `, ${preview.already.toLocaleString(locale)} of them have the tag already` : '' }}.
        </p>
        <ul>
          <li v-for="post in preview.examples" :key="`${post.profile} ${post.id}`">
            <span class="quiet">{{ describeDay(post.day) }}, {{ post.name }}, {{ post.format }}</span> {{ post.text }}
          </li>
        </ul>
      </section>
      <div class="row">
        <Button type="submit" label="Keep the rule" :loading="isBusy" />
        <Button label="What would it tag?" outlined :disabled="isBusy" @click="look" />
      </div>
    </form>
  </OpeningDialog>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 2px 16px;
}
.preview {
  border-block: 1px solid var(--rule);
  padding: 5px 0;
  margin-bottom: 8px;
}
ul {
  list-style: none;
}
</style>
