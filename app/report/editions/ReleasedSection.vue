<script setup lang="ts">
import type { Releasable } from '~~/shared/platform/releasable'

/** What the viewers of a client may see beside its editions: the owner of the agency decides. */
const say = useSay()
const { tick } = useFirstSteps()
const { slug, base } = useClient()
const { data, error, refetch } = useQuery({
  key: () => ['released', slug.value],
  query: () => api<{ released: Releasable[] }>(`${base.value}/released`),
})
const CHOICES: { value: Releasable; name: string; hint: string }[] = [
  { value: 'figures', name: 'Figures', hint: 'overview and content, live, with targets and notes' },
  { value: 'rivals', name: 'Rivals', hint: 'what is known of them beside one’s own figures' },
  { value: 'reports', name: 'Reports in work', hint: 'with the comments in them, before they are issued' },
]
async function release(released: Releasable[]) {
  try {
    await api(`${base.value}/released`, { method: 'PUT', body: { released } })
    tick('release')
    say.done('Kept. It holds from now on for every viewer of this client.')
  } catch (trouble) {
    say.problem(trouble)
  }
  await refetch()
}
</script>

<template>
  <section aria-labelledby="released-heading">
    <h2 id="released-heading" class="heading">What viewers may see</h2>
    <p class="quiet">Viewers of this client always see its editions. Beside them they see what is ticked here.</p>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <ul v-if="data">
      <li v-for="choice in CHOICES" :key="choice.value" class="row">
        <Checkbox
          :model-value="data.released"
          :input-id="`release-${choice.value}`"
          :value="choice.value"
          @update:model-value="release"
        /><label :for="`release-${choice.value}`"
          >{{ choice.name }} <span class="quiet">{{ choice.hint }}</span></label
        >
      </li>
    </ul>
  </section>
</template>

<style scoped>
section {
  margin-top: 26px;
}
ul {
  list-style: none;
  display: grid;
  gap: 6px;
  margin-top: 6px;
}
.row {
  justify-content: flex-start;
}
</style>
