<script setup lang="ts">
definePageMeta({ shell: 'plain' })
useHead({ title: 'Consent' })
const route = useRoute()
const done = ref<{ profile: string; network: string }>()
const problem = ref('')
onMounted(async () => {
  try {
    done.value = await api('/api/consent/answer', { method: 'POST', query: route.query })
  } catch (trouble) {
    problem.value = (trouble as Error).message
  }
})
</script>

<template>
  <div>
    <h1 class="title">{{ done ? 'Thank you' : problem ? 'Nothing was read' : 'One moment …' }}</h1>
    <p v-if="done">
      The figures of {{ done.profile }} on {{ done.network }} are being fetched now. You can close this page.
    </p>
    <p v-if="problem" role="alert">{{ problem }}</p>
  </div>
</template>

<style scoped>
.title {
  font: 600 var(--text-title)/1.2 var(--serif);
  margin-bottom: 10px;
}
</style>
