<script setup lang="ts">
/** A tracked link: its name, where it leads, and what it tells the site there. */
import { withCampaign } from '~~/core/links/withCampaign'
import { linkSchema, type LinkInput, type LinkView } from '~~/shared/read/links'

const props = defineProps<{ link?: LinkView }>()
const emit = defineEmits<{ close: []; saved: [] }>()
const say = useSay()
const { base } = useClient()
const form = reactive<LinkInput>({
  name: props.link?.name ?? '',
  target: props.link?.target ?? '',
  source: props.link?.source ?? '',
  medium: props.link?.medium ?? '',
  campaign: props.link?.campaign ?? '',
  content: props.link?.content ?? '',
})
const { forget, isBack, beginAnew } = useKeptForm(`link ${props.link?.id ?? ''} of ${base.value}`, form)
const PARTS = [
  { key: 'source', label: 'Source', hint: 'the network or letter in which it stands' },
  { key: 'medium', label: 'Medium', hint: 'social, mail, print' },
  { key: 'campaign', label: 'Campaign', hint: 'what it belongs to' },
  { key: 'content', label: 'Content', hint: 'which of several in one place' },
] as const
const leadsTo = computed(() => (linkSchema.isValidSync(form) ? (withCampaign(form.target.trim(), form) ?? '') : ''))
const problems = ref<Record<string, string>>({})
const isSaving = ref(false)

async function save() {
  problems.value = {}
  isSaving.value = true
  try {
    const body = linkSchema.validateSync(form, { abortEarly: false })
    await api(props.link ? `${base.value}/links/${props.link.id}` : `${base.value}/links`, {
      method: props.link ? 'PUT' : 'POST',
      body,
    })
    forget()
    emit('saved')
    say.done(
      props.link ? 'The link is mended. Its address stays.' : 'The link is there. Copy its address from the list.',
    )
  } catch (error) {
    problems.value = problemsOf(error, 'name')
  } finally {
    isSaving.value = false
  }
}
</script>

<template>
  <OpeningDialog :label="link ? 'Mend the link' : 'A new link'" width="32rem" @close="emit('close')">
    <form novalidate @submit.prevent="save">
      <TypedBefore :is-back="isBack" @anew="beginAnew" />
      <div class="field">
        <label for="link-name">Name</label>
        <InputText id="link-name" v-model="form.name" fluid :maxlength="80" :invalid="!!problems.name" />
        <p v-if="problems.name" class="field-error" role="alert">{{ problems.name }}</p>
      </div>
      <div class="field">
        <label for="link-target">Leads to</label>
        <InputText id="link-target" v-model="form.target" fluid :invalid="!!problems.target" />
        <p v-if="problems.target" class="field-error" role="alert">{{ problems.target }}</p>
      </div>
      <div class="parts">
        <div v-for="part in PARTS" :key="part.key" class="field">
          <label :for="`link-${part.key}`">{{ part.label }}</label>
          <InputText
            :id="`link-${part.key}`"
            v-model="form[part.key]"
            fluid
            :maxlength="80"
            :aria-describedby="`link-${part.key}-hint`"
          />
          <span :id="`link-${part.key}-hint`" class="quiet">{{ part.hint }}</span>
          <p v-if="problems[part.key]" class="field-error" role="alert">{{ problems[part.key] }}</p>
        </div>
      </div>
      <p v-if="leadsTo" class="quiet whole">Whoever follows it comes to {{ leadsTo }}</p>
      <Button type="submit" :label="link ? 'Mend it' : 'Make it'" :loading="isSaving" />
    </form>
  </OpeningDialog>
</template>

<style scoped>
.parts {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 14px;
}
.whole {
  overflow-wrap: anywhere;
  margin-bottom: 10px;
}
</style>
