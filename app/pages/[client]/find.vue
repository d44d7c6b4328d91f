<script setup lang="ts">
import { describeInstant } from '~~/core/periods/describePeriod'
import type { ProfileSearch, SeenProfile } from '~~/shared/gather/find'

useHead({ title: 'Find profiles · Zaffer' })
const session = useSession()
const say = useSay()
const refresh = useRefresh()
const { slug, base } = useClient()
const { data, error, refetch } = useQuery({
  key: () => ['search', slug.value],
  query: () => api<{ website: string; found: ProfileSearch | null; searchedAt: Date | null }>(`${base.value}/search`),
})
const typed = ref<string>()
const address = computed({
  get: () => typed.value ?? data.value?.found?.address ?? data.value?.website ?? '',
  set: (value: string) => (typed.value = value),
})
const handle = ref('')
const problems = ref<Record<string, string>>({})
const isLooking = ref(false)

async function look() {
  problems.value = {}
  isLooking.value = true
  try {
    await api(`${base.value}/search`, { method: 'POST', body: { address: address.value, handle: handle.value } })
    await refetch()
  } catch (problem) {
    const { fields, message } = problem as ApiProblem
    problems.value = Object.keys(fields ?? {}).length ? fields : { address: message }
  } finally {
    isLooking.value = false
  }
}
async function add({ network, handle, name, networkName }: SeenProfile) {
  try {
    await api(`${base.value}/profiles`, { method: 'POST', body: { network, handle } })
    await api(`${base.value}/search`, {
      method: 'POST',
      body: { address: address.value, handle: data.value?.found?.handle ?? '' },
    })
    await refresh('profiles', 'figures')
    say.done(`${name} on ${networkName} is in the list; what anybody can see of it is being fetched.`)
  } catch (problem) {
    say.problem(problem)
  }
}
</script>

<template>
  <div>
    <PageHead title="Which profiles does the client have?"
      ><DownloadMenu v-if="data?.found" kind="found" what="What was found"
    /></PageHead>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <!-- only once the address is known: it must not come while somebody types -->
    <form v-if="session.mayWrite && (data || error)" class="row no-print look" @submit.prevent="look">
      <div class="field grow">
        <label for="find-address">The client’s web page</label
        ><InputText
          id="find-address"
          v-model="address"
          fluid
          :invalid="!!problems.address"
          placeholder="https://www.name.example/"
        />
      </div>
      <div class="field">
        <label for="find-handle">Handle that is wanted</label
        ><InputText id="find-handle" v-model="handle" :invalid="!!problems.handle" placeholder="the one used most" />
      </div>
      <Button type="submit" label="Look" :loading="isLooking" />
    </form>
    <p v-for="(problem, field) in problems" :key="field" class="field-error" role="alert">{{ problem }}</p>
    <p v-if="isLooking" class="quiet" role="status">Reading the page and asking every network …</p>
    <p v-if="data && !data.found" class="quiet">
      Nothing was looked for yet. The profiles that the page links to, others under the same handles, and where the
      wanted handle is free will stand here.
    </p>
    <template v-if="data?.found">
      <h2 class="heading">What was found</h2>
      <p class="quiet">{{ data.found.address }}, as it was on {{ describeInstant(data.searchedAt!) }}.</p>
      <FoundText :found="data.found" @add="add" />
    </template>
  </div>
</template>

<style scoped>
.look {
  align-items: flex-end;
}
.look > .p-button {
  margin-bottom: 12px;
}
.grow {
  flex: 1;
}
</style>
