<script setup lang="ts">
import { signInSchema } from '~~/shared/platform/people'

definePageMeta({ shell: 'plain' })
useHead({ title: 'Sign in · Zaffer' })
const session = useSession()
const route = useRoute()
const form = reactive({ email: '', password: '' })
const problems = ref<Record<string, string>>({})
const isBusy = ref(false)

async function signIn() {
  problems.value = {}
  isBusy.value = true
  try {
    const { email, password } = signInSchema.validateSync(form, { abortEarly: false })
    await session.signIn(email, password)
    const to = String(route.query.to ?? '/')
    await navigateTo(to.startsWith('/') && !to.startsWith('//') ? to : '/')
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
    <p class="lead">The measuring desk: what happened, why, against what, and what to tell the client.</p>
    <form @submit.prevent="signIn">
      <div class="field">
        <label for="email">Address</label
        ><InputText
          id="email"
          v-model="form.email"
          type="email"
          autocomplete="username"
          autofocus
          :invalid="!!problems.email"
        />
        <p v-if="problems.email" class="field-error" role="alert">{{ problems.email }}</p>
      </div>
      <div class="field">
        <label for="password">Password</label
        ><InputText
          id="password"
          v-model="form.password"
          type="password"
          autocomplete="current-password"
          :invalid="!!problems.password"
        />
        <p v-if="problems.password" class="field-error" role="alert">{{ problems.password }}</p>
      </div>
      <p v-if="problems.all" class="field-error" role="alert">{{ problems.all }}</p>
      <Button type="submit" label="Sign in" :loading="isBusy" />
    </form>
  </div>
</template>

<style scoped>
.door {
  max-width: 22rem;
  margin: 10vh auto 0;
}
h1 {
  font: italic 600 40px/1 var(--serif);
  color: var(--zaffer);
}
.lead {
  font: 400 var(--text-heading)/1.4 var(--serif);
  color: var(--ink2);
  margin: 8px 0 22px;
}
</style>
