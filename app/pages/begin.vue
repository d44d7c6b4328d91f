<script setup lang="ts">
import { beginSchema } from '~~/shared/platform/agency'

definePageMeta({ shell: 'plain' })
useHead({ title: 'A new agency · Zaffer' })
const route = useRoute()
const session = useSession()
const { tick } = useFirstSteps()
const { data } = await useAsyncData('begin', () => api<{ isUnnamed: boolean }>('/api/begin'))
const key = String(route.query.key ?? '')
const agency = ref({ name: '', address: '', contact: '', colour: '#23409A' })
const owner = reactive({ name: '', email: '', password: '' })
const problems = ref<Record<string, string>>({})
const isBusy = ref(false)
const problemsUnder = (part: string) =>
  Object.fromEntries(
    Object.entries(problems.value).flatMap(([path, message]) =>
      path.startsWith(`${part}.`) ? [[path.slice(part.length + 1), message]] : [],
    ),
  )
const ofOwner = computed(() => problemsUnder('owner'))

async function begin() {
  problems.value = {}
  isBusy.value = true
  try {
    const body = beginSchema.validateSync({ key, agency: agency.value, owner }, { abortEarly: false })
    await api('/api/begin', { method: 'POST', body })
    await session.loadAnew()
    tick('agency')
    await navigateTo('/')
  } catch (error) {
    problems.value = problemsOf(error, 'all')
  } finally {
    isBusy.value = false
  }
}
</script>

<template>
  <div class="door">
    <h1>zaffer</h1>
    <p v-if="!data?.isUnnamed" class="lead">
      This installation has its agency already. <NuxtLink to="/sign-in">Sign in</NuxtLink>, or ask its owner to add you.
    </p>
    <template v-else>
      <p class="lead">
        A new agency. Its name, address and contact stand on every report; all of it can be changed later.
      </p>
      <p v-if="problems.key || !key" class="field-error" role="alert">
        Open the address that the start command printed: the key stands in it.
      </p>
      <form @submit.prevent="begin">
        <AgencyFields v-model="agency" :problems="problemsUnder('agency')" />
        <h2 class="heading">You, its owner</h2>
        <div class="field">
          <label for="owner-name">Your name</label
          ><InputText id="owner-name" v-model="owner.name" autocomplete="name" :invalid="!!ofOwner.name" />
          <p v-if="ofOwner.name" class="field-error" role="alert">{{ ofOwner.name }}</p>
        </div>
        <div class="field">
          <label for="owner-email">Mail address, with which you sign in</label
          ><InputText
            id="owner-email"
            v-model="owner.email"
            type="email"
            autocomplete="username"
            :invalid="!!ofOwner.email"
          />
          <p v-if="ofOwner.email" class="field-error" role="alert">{{ ofOwner.email }}</p>
        </div>
        <div class="field">
          <label for="owner-password">Password, of at least 12 letters</label
          ><InputText
            id="owner-password"
            v-model="owner.password"
            type="password"
            autocomplete="new-password"
            :invalid="!!ofOwner.password"
          />
          <p v-if="ofOwner.password" class="field-error" role="alert">{{ ofOwner.password }}</p>
        </div>
        <p v-if="problems.all" class="field-error" role="alert">{{ problems.all }}</p>
        <Button type="submit" label="Begin" :loading="isBusy" />
      </form>
    </template>
  </div>
</template>

<style scoped>
.door {
  max-width: 24rem;
  margin: 6vh auto 8vh;
}
h1 {
  font: italic 600 40px/1 var(--serif);
  color: var(--zaffer);
}
h2 {
  margin: 20px 0 8px;
}
.lead {
  font: 400 var(--text-heading)/1.4 var(--serif);
  color: var(--ink2);
  margin: 8px 0 22px;
}
</style>
