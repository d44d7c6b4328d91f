<script setup lang="ts">
definePageMeta({ shell: 'plain' })
useHead({ title: 'Consent' })
const route = useRoute()
const address = `/api/consent/${String(route.params.token)}`
const { data, error } = useQuery({
  key: () => ['consent', String(route.params.token)],
  query: () => api<{ agency: string; contact: string; client: string; profile: string; network: string }>(address),
})
const problem = ref('')

async function go() {
  try {
    const answer = await api<{ address: string }>(address, { method: 'POST' })
    location.assign(answer.address)
  } catch (trouble) {
    problem.value = (trouble as Error).message
  }
}
</script>

<template>
  <div>
    <h1 class="title">May we read these figures?</h1>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <template v-if="data">
      <p>
        <b>{{ data.agency }}</b> measures for {{ data.client }} and asks to read the private figures of
        <b>{{ data.profile }}</b> on {{ data.network }}: reach, impressions, followers won and lost. They cannot publish
        or change anything, and never see your password. You can withdraw it on {{ data.network }} at any time. If you
        do not know {{ data.agency }}, ask them first: {{ data.contact }}.
      </p>
      <p><Button :label="`Go on to ${data.network}`" @click="go" /></p>
      <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
    </template>
  </div>
</template>

<style scoped>
.title {
  font: 600 var(--text-title)/1.2 var(--serif);
  margin-bottom: 10px;
}
p {
  margin-bottom: 12px;
  max-width: 36rem;
}
</style>
