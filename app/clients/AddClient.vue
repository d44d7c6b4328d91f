<script setup lang="ts">
import { clientSchema } from '~~/shared/platform/agency'

const emit = defineEmits<{ added: [slug: string] }>()
const session = useSession()
const say = useSay()
const refresh = useRefresh()
const { tick } = useFirstSteps()
const zones = [...new Set(['UTC', ...Intl.supportedValuesOf('timeZone')])]
const here = Intl.DateTimeFormat().resolvedOptions().timeZone
const form = reactive({ name: '', timeZone: zones.includes(here) ? here : 'UTC' })
const { forget } = useKeptForm('new client', form)
const problems = ref<Record<string, string>>({})
const isBusy = ref(false)

async function add() {
  problems.value = {}
  isBusy.value = true
  try {
    const body = clientSchema.validateSync(form, { abortEarly: false })
    const { slug } = await api<{ slug: string }>('/api/clients', { method: 'POST', body })
    forget()
    await session.loadAnew()
    tick('client')
    say.done(`${body.name} is a client now. Add its profiles next.`)
    emit('added', slug)
    await refresh('clients')
  } catch (error) {
    problems.value = problemsOf(error, 'name')
  } finally {
    isBusy.value = false
  }
}
</script>

<template>
  <form class="add-client" @submit.prevent="add">
    <div class="field">
      <label for="client-name">Name of the client</label
      ><InputText id="client-name" v-model="form.name" :invalid="!!problems.name" />
      <p v-if="problems.name" class="field-error" role="alert">{{ problems.name }}</p>
    </div>
    <div class="field">
      <label for="client-zone">Its days are counted in</label
      ><Select v-model="form.timeZone" input-id="client-zone" :options="zones" filter aria-label="Time zone" />
      <p v-if="problems.timeZone" class="field-error" role="alert">{{ problems.timeZone }}</p>
    </div>
    <Button type="submit" label="Add the client" :loading="isBusy" />
  </form>
</template>

<style scoped>
.add-client {
  max-width: 24rem;
}
</style>
