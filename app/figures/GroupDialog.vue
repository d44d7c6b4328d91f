<script setup lang="ts">
/** A named group of things: what it is called, and what is in it. */
interface Group {
  id: number
  name: string
  members: readonly number[]
}
const props = defineProps<{
  group?: Group
  /** What can be in it. */ choices: { id: number; name: string; remark: string }[]
  /** What the group is called, and its members. */ what: 'set' | 'group'
  members: 'profiles' | 'places'
  /** Where groups of this kind are kept. */ path: string
}>()
const emit = defineEmits<{ close: []; saved: [id: number] }>()
const form = reactive({ name: props.group?.name ?? '', members: [...(props.group?.members ?? [])] })
const { forget, isBack, beginAnew } = useKeptForm(`${props.what} ${props.group?.id ?? ''} of ${props.path}`, form)
const { problem, isBusy, attempt } = useAttempt()
const save = () =>
  attempt(async () => {
    const answer = await api<{ id?: number }>(props.group ? `${props.path}/${props.group.id}` : props.path, {
      method: props.group ? 'PUT' : 'POST',
      body: { name: form.name, [props.members]: form.members },
    })
    forget()
    emit('saved', props.group?.id ?? answer.id!)
  })
</script>

<template>
  <OpeningDialog :label="group ? `Change the ${what}` : `Make a ${what}`" width="26rem" @close="emit('close')">
    <form @submit.prevent="save">
      <TypedBefore :is-back="isBack" @anew="beginAnew" />
      <div class="field">
        <label for="group-name">Name</label><InputText id="group-name" v-model="form.name" autofocus />
      </div>
      <div class="field">
        <span class="field-label">{{ members === 'profiles' ? 'Profiles' : 'Places' }}</span>
        <MemberChecks v-model="form.members" :choices="choices" name="group" />
      </div>
      <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
      <Button type="submit" :label="group ? 'Change it' : 'Make it'" :loading="isBusy" />
    </form>
  </OpeningDialog>
</template>
