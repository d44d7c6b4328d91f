<script setup lang="ts">
/** A public page of links: its words, its colours, and what stands on it in which order. */
import { contrast } from '~~/core/colours/contrast'
import { oneDecimal } from '~~/core/format/numbers'
import { linkPageSchema, MOST_ITEMS, type LinkPageInput, type LinkPageView, type LinkView } from '~~/shared/read/links'

const props = defineProps<{ page?: LinkPageView; links: LinkView[]; accent: string }>()
const emit = defineEmits<{ close: []; saved: [] }>()
const say = useSay()
const { base } = useClient()
const locale = useLocale()
const form = reactive<LinkPageInput>({
  title: props.page?.title ?? '',
  intro: props.page?.intro ?? '',
  ground: props.page?.ground ?? '#FAF8F3',
  ink: props.page?.ink ?? '#1B2333',
  accent: props.page?.accent ?? props.accent,
  items: (props.page?.items ?? []).map((item) => ({ ...item })),
})
const { forget, isBack, beginAnew } = useKeptForm(`link page ${props.page?.id ?? ''} of ${base.value}`, form)
const COLOURS = [
  { key: 'ground', label: 'Ground' },
  { key: 'ink', label: 'Text' },
  { key: 'accent', label: 'Links' },
] as const
const toAdd = ref<number>()
const problems = ref<Record<string, string>>({})
const isSaving = ref(false)
const nameOf = (link: number) => props.links.find(({ id }) => id === link)?.name ?? 'a link that is gone'
function add(link: number | null) {
  form.items.push({ text: link === null ? 'A heading' : nameOf(link), link })
  toAdd.value = undefined
}
function move(index: number, by: 1 | -1) {
  const [item] = form.items.splice(index, 1)
  form.items.splice(index + by, 0, item!)
}

async function save() {
  problems.value = {}
  isSaving.value = true
  try {
    const body = linkPageSchema.validateSync(form, { abortEarly: false })
    await api(props.page ? `${base.value}/link-pages/${props.page.id}` : `${base.value}/link-pages`, {
      method: props.page ? 'PUT' : 'POST',
      body,
    })
    forget()
    emit('saved')
    say.done(props.page ? 'The page is changed, for everybody at once.' : 'The page is there, for everybody.')
  } catch (error) {
    problems.value = problemsOf(error, 'title')
  } finally {
    isSaving.value = false
  }
}
</script>

<template>
  <OpeningDialog :label="page ? 'Change the public page' : 'A new public page'" width="38rem" @close="emit('close')">
    <form novalidate @submit.prevent="save">
      <TypedBefore :is-back="isBack" @anew="beginAnew" />
      <div class="field">
        <label for="page-title">Title</label>
        <InputText id="page-title" v-model="form.title" fluid :maxlength="80" :invalid="!!problems.title" />
        <p v-if="problems.title" class="field-error" role="alert">{{ problems.title }}</p>
      </div>
      <div class="field">
        <label for="page-intro">Text below it</label>
        <Textarea id="page-intro" v-model="form.intro" rows="2" fluid :maxlength="400" />
      </div>
      <div class="row">
        <div v-for="colour in COLOURS" :key="colour.key" class="field">
          <label :for="`page-${colour.key}`">{{ colour.label }}</label>
          <input :id="`page-${colour.key}`" v-model="form[colour.key]" type="color" />
        </div>
        <span class="quiet"
          >Contrast on the ground: text {{ oneDecimal(contrast(form.ground, form.ink), locale) }}, links
          {{ oneDecimal(contrast(form.ground, form.accent), locale) }}; 4.5 is needed.</span
        >
      </div>
      <p v-if="problems.ink || problems.accent" class="field-error" role="alert">
        {{ problems.ink ?? problems.accent }}
      </p>
      <ol class="items">
        <li v-for="(item, index) in form.items" :key="index" class="row">
          <InputText
            v-model="item.text"
            size="small"
            :maxlength="120"
            :aria-label="`Words of part ${index + 1}`"
            :invalid="!!problems[`items[${index}].text`]"
          />
          <span class="quiet">{{ item.link === null ? 'heading' : `leads by “${nameOf(item.link)}”` }}</span>
          <span class="right">
            <Button
              label="Up"
              text
              size="small"
              :disabled="index === 0"
              :aria-label="`Move part ${index + 1} up`"
              @click="move(index, -1)"
            />
            <Button
              label="Down"
              text
              size="small"
              :disabled="index === form.items.length - 1"
              :aria-label="`Move part ${index + 1} down`"
              @click="move(index, 1)"
            />
            <Button
              label="Remove"
              text
              size="small"
              :aria-label="`Remove part ${index + 1}`"
              @click="form.items.splice(index, 1)"
            />
          </span>
        </li>
      </ol>
      <p v-if="problems.items" class="field-error" role="alert">{{ problems.items }}</p>
      <div v-if="form.items.length < MOST_ITEMS" class="row add">
        <Select
          v-model="toAdd"
          :options="links.filter(({ endedAt }) => !endedAt)"
          option-label="name"
          option-value="id"
          placeholder="Add a link"
          aria-label="Add a link"
          @update:model-value="(link) => link && add(link)"
        />
        <Button label="Add a heading" outlined size="small" @click="add(null)" />
      </div>
      <Button type="submit" :label="page ? 'Change it' : 'Publish it'" :loading="isSaving" />
    </form>
  </OpeningDialog>
</template>

<style scoped>
.items {
  padding: 0;
  margin: 6px 0;
  list-style: none;
}
.items li {
  border-bottom: 1px solid var(--rule);
  padding: 3px 0;
}
.right {
  margin-left: auto;
}
.add {
  margin-bottom: 12px;
}
input[type='color'] {
  width: 3.4rem;
  height: 1.9rem;
  padding: 1px;
  border: 1px solid var(--rule2);
  background: var(--paper);
}
</style>
