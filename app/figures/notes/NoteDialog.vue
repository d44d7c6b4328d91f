<script setup lang="ts">
import type { ValidationError } from 'yup'
import { describePeriodShort } from '~~/core/periods/describePeriod'
import { LONGEST_NOTE, noteSchema } from '~~/shared/figures/notes'

const shell = useShell()
const say = useSay()
const { tick } = useFirstSteps()
const refreshAll = useRefresh()
const { base } = useClient()
const { description } = useScope()
const existing = computed(() => shell.note?.id)
const last = description.data.value?.period.to ?? ''
const form = reactive({
  from: shell.note?.from ?? last,
  to: shell.note?.to ?? '',
  title: shell.note?.title ?? '',
  body: shell.note?.body ?? '',
})
// a new note that was begun is there again when it is opened the next time; one for a day of its own begins anew
const { forget, isBack, beginAnew } = useKeptForm(
  shell.note?.id ? `note ${shell.note.id} of ${base.value}` : shell.note?.from ? '' : `note of ${base.value}`,
  form,
)
/** One reason for several stretches of days: each gets the note. */
const isForMany = computed(() => shell.noteDays.length > 1)
const problems = ref<Record<string, string>>({})
const isSaving = ref(false)

const refresh = () => refreshAll('notes')

async function save() {
  problems.value = {}
  isSaving.value = true
  try {
    const note = noteSchema.validateSync({ ...form, to: form.to || form.from }, { abortEarly: false })
    if (note.to < note.from) return void (problems.value = { to: 'The last day lies before the first.' })
    const stretches = isForMany.value ? shell.noteDays : [{ from: note.from, to: note.to }]
    for (const days of stretches)
      await api(existing.value ? `${base.value}/notes/${existing.value}` : `${base.value}/notes`, {
        method: existing.value ? 'PUT' : 'POST',
        body: { ...note, ...days },
      })
    forget()
    tick('note')
    const kept = shell.noteKept
    shell.note = undefined
    await refresh()
    say.done('The note stands on the charts it touches.')
    // the note is there, whatever becomes of what follows it
    await kept?.().catch((error: unknown) => say.problem(error))
  } catch (error) {
    const { inner } = error as ValidationError
    if (inner) problems.value = Object.fromEntries(inner.map(({ path, message }) => [path, message]))
    else problems.value = { title: (error as Error).message }
  } finally {
    isSaving.value = false
  }
}

const takeAway = useRemoval(async () => {
  shell.note = undefined
  await refresh()
})
const remove = () => takeAway(`${base.value}/notes/${existing.value}`, 'The note was removed.')

function giveUp() {
  forget()
  shell.note = undefined
}
</script>

<template>
  <OpeningDialog :label="existing ? 'Change the note' : 'Write a note'" width="28rem" @close="shell.note = undefined">
    <form @submit.prevent="save">
      <TypedBefore :is-back="isBack" @anew="beginAnew" />
      <p v-if="isForMany">For {{ shell.noteDays.map(describePeriodShort).join('; ') }}. Each of them gets this note.</p>
      <div v-else class="row">
        <DayField id="note-from" v-model="form.from" label="Day" :problem="problems.from" />
        <DayField id="note-to" v-model="form.to" label="Last day, if several" :problem="problems.to" />
      </div>
      <div class="field">
        <label for="note-title">What happened</label
        ><InputText
          id="note-title"
          v-model="form.title"
          autofocus
          placeholder="Storm, gardens shut."
          :invalid="!!problems.title"
        />
        <p v-if="problems.title" class="field-error" role="alert">{{ problems.title }}</p>
      </div>
      <div class="field">
        <label for="note-body">More about it</label
        ><Textarea id="note-body" v-model="form.body" rows="3" auto-resize /><LettersLeft
          :text="form.body"
          :most="LONGEST_NOTE"
        />
      </div>
      <div class="row end">
        <Button v-if="existing" type="button" label="Remove" text severity="danger" @click="remove" />
        <Button type="button" label="Cancel" text @click="giveUp" />
        <Button type="submit" label="Keep the note" :loading="isSaving" />
      </div>
    </form>
  </OpeningDialog>
</template>

<style scoped>
.end {
  justify-content: flex-end;
}
</style>
