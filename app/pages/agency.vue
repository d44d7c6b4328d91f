<script setup lang="ts">
import { agencySchema, type AgencyInput } from '~~/shared/platform/agency'

useHead({ title: 'Agency · Zaffer' })
const session = useSession()
const say = useSay()
const { data, error } = useQuery({ key: ['agency'], query: () => api<AgencyInput>('/api/agency') })
const agency = ref<AgencyInput>()
watch(data, (known) => (agency.value ??= known && { ...known }), { immediate: true })
const problems = ref<Record<string, string>>({})
const isBusy = ref(false)
const clients = computed(() => session.session?.clients ?? [])

async function save() {
  problems.value = {}
  isBusy.value = true
  try {
    await api('/api/agency', { method: 'PUT', body: agencySchema.validateSync(agency.value, { abortEarly: false }) })
    say.done('The agency is changed. Editions stay as they were issued.')
  } catch (problem) {
    problems.value = problemsOf(problem, 'all')
  } finally {
    isBusy.value = false
  }
}
</script>

<template>
  <div>
    <PageHead title="Who are we, and for whom do we work?" />
    <p v-if="error" role="alert">{{ error.message }}</p>
    <div class="columns">
      <form v-if="agency" aria-labelledby="agency-heading" @submit.prevent="save">
        <h2 id="agency-heading" class="heading">The agency, as it stands in reports</h2>
        <AgencyFields v-model="agency" :problems="problems" />
        <p v-if="problems.all" class="field-error" role="alert">{{ problems.all }}</p>
        <Button type="submit" label="Change the agency" :loading="isBusy" />
      </form>
      <section v-if="agency" aria-labelledby="clients-heading">
        <h2 id="clients-heading" class="heading">Clients</h2>
        <ul v-if="clients.length">
          <li v-for="client in clients" :key="client.slug">
            <NuxtLink :to="session.homeOf(client.slug)">{{ client.name }}</NuxtLink>
          </li>
        </ul>
        <p v-else class="quiet">None yet. The first one is added here.</p>
        <h2 class="heading">Add a client</h2>
        <AddClient @added="(slug) => navigateTo(`/${slug}/profiles`)" />
      </section>
    </div>
    <p class="quiet people">
      People are added with the command <code>npm run person</code>, beside the one that started the application.
    </p>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 24rem));
  gap: 4rem;
}
.people {
  margin-top: 28px;
}
h2 {
  margin: 12px 0 8px;
}
ul {
  list-style: none;
  display: grid;
  gap: 4px;
  margin-bottom: 20px;
}
</style>
