<script setup lang="ts">
/** A site of the client's own: its name and address. */
import { siteSchema, type SiteTraffic } from '~~/shared/read/traffic'

const props = defineProps<{ site?: SiteTraffic['site'] }>()
const emit = defineEmits<{ close: []; saved: [] }>()
const say = useSay()
const { base } = useClient()
const form = reactive({ name: props.site?.name ?? '', address: props.site?.address ?? 'https://' })
const problems = ref<Record<string, string>>({})
const isSaving = ref(false)

async function save() {
  problems.value = {}
  isSaving.value = true
  try {
    const body = siteSchema.validateSync(form, { abortEarly: false })
    await api(props.site ? `${base.value}/sites/${props.site.id}` : `${base.value}/sites`, {
      method: props.site ? 'PUT' : 'POST',
      body,
    })
    emit('saved')
    say.done(props.site ? 'The site is changed.' : 'The site is there. Bring its figures under Imports.')
  } catch (error) {
    problems.value = problemsOf(error, 'name')
  } finally {
    isSaving.value = false
  }
}
</script>

<template>
  <OpeningDialog :label="site ? 'Change the site' : 'A site of the client’s own'" width="26rem" @close="emit('close')">
    <form novalidate @submit.prevent="save">
      <div class="field">
        <label for="site-name">Name</label>
        <InputText id="site-name" v-model="form.name" fluid :maxlength="80" :invalid="!!problems.name" />
        <p v-if="problems.name" class="field-error" role="alert">{{ problems.name }}</p>
      </div>
      <div class="field">
        <label for="site-address">Address</label>
        <InputText id="site-address" v-model="form.address" fluid :maxlength="300" :invalid="!!problems.address" />
        <p v-if="problems.address" class="field-error" role="alert">{{ problems.address }}</p>
      </div>
      <Button type="submit" :label="site ? 'Change it' : 'Add it'" :loading="isSaving" />
    </form>
  </OpeningDialog>
</template>
