<script setup lang="ts">
/** To which organisation a rival's profile belongs: two that have merged are one by the same name. */
import { changeProfileSchema, type ProfileState } from '~~/shared/gather/profiles'

const props = defineProps<{ profile: ProfileState; competitors: string[] }>()
const emit = defineEmits<{ close: []; saved: [profile: ProfileState, rival: string] }>()
const { base } = useClient()
const form = reactive({ rival: props.profile.rival ?? props.profile.name })
const { forget, isBack, beginAnew } = useKeptForm(`whose ${props.profile.id} of ${base.value}`, form)
const { problem, isBusy, attempt } = useAttempt()
const save = () =>
  attempt(async () => {
    const { rival } = changeProfileSchema.validateSync(form)
    await api(`${base.value}/profiles/${props.profile.id}`, { method: 'PUT', body: { rival } })
    forget()
    emit('saved', props.profile, rival!)
  })
</script>

<template>
  <OpeningDialog :label="`Whose ${profile.name} on ${profile.networkName} is`" width="28rem" @close="emit('close')">
    <form @submit.prevent="save">
      <TypedBefore :is-back="isBack" @anew="beginAnew" />
      <div class="field">
        <label for="whose-rival-name">Organisation</label
        ><InputText
          id="whose-rival-name"
          v-model="form.rival"
          autofocus
          fluid
          list="organisations"
          :invalid="!!problem"
        /><datalist id="organisations"><option v-for="each in competitors" :key="each" :value="each" /></datalist>
      </div>
      <p class="quiet">
        Profiles of one name are compared as one. Give both the same name where two rivals have merged; nothing of their
        past is lost, and it is counted together from its beginning.
      </p>
      <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
      <Button type="submit" label="Change it" :loading="isBusy" />
    </form>
  </OpeningDialog>
</template>

<style scoped>
.quiet {
  margin-bottom: 10px;
}
</style>
