<script setup lang="ts">
import type { ProfileSet } from '~~/shared/figures/sets'

const props = defineProps<{ set?: ProfileSet; profiles: { id: number; name: string; networkName: string }[] }>()
const emit = defineEmits<{ close: []; saved: [] }>()
const { base } = useClient()
const form = reactive({ name: props.set?.name ?? '', profiles: [...(props.set?.profiles ?? [])] })
const { forget, isBack, beginAnew } = useKeptForm(`set ${props.set?.id ?? ''} of ${base.value}`, form)
const problem = ref('')
const isSaving = ref(false)

async function save() {
  problem.value = ''
  isSaving.value = true
  try {
    await api(props.set ? `${base.value}/sets/${props.set.id}` : `${base.value}/sets`, {
      method: props.set ? 'PUT' : 'POST',
      body: form,
    })
    forget()
    emit('saved')
  } catch (error) {
    problem.value = (error as Error).message
  } finally {
    isSaving.value = false
  }
}
</script>

<template>
  <OpeningDialog :label="set ? 'Change the set' : 'Make a set'" width="26rem" @close="emit('close')">
    <form @submit.prevent="save">
      <TypedBefore :is-back="isBack" @anew="beginAnew" />
      <div class="field">
        <label for="set-name">Name</label><InputText id="set-name" v-model="form.name" autofocus />
      </div>
      <div class="field">
        <span class="field-label">Profiles</span>
        <ul>
          <li v-for="profile in profiles" :key="profile.id">
            <Checkbox v-model="form.profiles" :input-id="`set-${profile.id}`" :value="profile.id" />{{ ' ' }}
            <label :for="`set-${profile.id}`"
              >{{ profile.name }} <span class="quiet">{{ profile.networkName }}</span></label
            >
          </li>
        </ul>
      </div>
      <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
      <Button type="submit" :label="set ? 'Change it' : 'Make it'" :loading="isSaving" />
    </form>
  </OpeningDialog>
</template>

<style scoped>
ul {
  list-style: none;
  display: grid;
  gap: 5px;
  max-height: 45vh;
  overflow-y: auto;
  padding: 2px;
}
li label {
  font-weight: 400;
  color: var(--ink);
  font-size: 1rem;
}
</style>
