<script setup lang="ts">
import type { Field } from '~~/shared/compare/field'
import { useFieldAddress } from '~/compare/field/useFieldAddress'

definePageMeta({ margin: true, scope: true })
useHead({ title: 'Field · Zaffer' })
const route = useRoute()
const session = useSession()
const { slug, base } = useClient()
const { address, description } = useScope()
const { asked } = useFieldAddress()
const { data, error, isLoading } = useQuery({
  key: () => ['field', slug.value, address.value, asked.value],
  query: () => api<Field>(`${base.value}/field`, { query: { ...address.value, ...asked.value } }),
  placeholderData: (previous) => previous,
})
const hasRivals = computed(() =>
  data.value ? data.value.hidden.length > 0 || data.value.members.some(({ isOwn }) => !isOwn) : false,
)
const download = computed(
  () => `${base.value}/downloads/field?${new URLSearchParams({ ...address.value, ...asked.value })}`,
)
/** Whether somebody is on networks that others are not on. */
const isUneven = computed(() => new Set(data.value?.members.map(({ networks: on }) => [...on].sort().join())).size > 1)
/** The weeks below, as shares of all interactions. */
const overTime = computed(() => ({
  query: { ...route.query, line: 'interactions', as: 'share' },
  hash: '#weeks-heading',
}))
const timeZone = computed(() => description.data.value?.client.timeZone ?? 'UTC')
</script>

<template>
  <div>
    <h1 class="hidden-but-read">How does the client do beside its rivals?</h1>
    <ScopeSentence />
    <p v-if="error" role="alert">{{ error.message }}</p>
    <p v-else-if="isLoading && !data" class="quiet">Comparing the field …</p>
    <template v-if="data">
      <FieldChoice :networks="data.networks" :members="data.members" :hidden="data.hidden"
        ><DownloadMenu kind="field" :path="download" what="The field"
      /></FieldChoice>
      <p v-if="!hasRivals" class="quiet">
        No rival yet. Add the profiles of one under
        <NuxtLink v-if="session.mayWrite" :to="`/${slug}/profiles`">Profiles</NuxtLink
        ><template v-else>Profiles</template>: what everybody can see of them is fetched without any consent.
        <template v-if="session.mayWrite"
          >Who it might be, the networks know in part:
          <NuxtLink :to="{ path: `/${slug}/profiles`, query: { suggested: 'yes' } }"
            >whom the audience also follows</NuxtLink
          >.</template
        >
      </p>
      <div v-else class="two">
        <section aria-labelledby="growth-heading">
          <h2 id="growth-heading" class="heading">Small and growing</h2>
          <GrowthChart :members="data.members" />
          <h2 class="heading voice">
            Share of voice <span class="quiet beside">of all interactions of this field</span>
          </h2>
          <VoiceBars :members="data.members" />
          <p class="no-print"><NuxtLink :to="overTime">Share of voice week by week</NuxtLink></p>
        </section>
        <section aria-labelledby="separates-heading">
          <h2 id="separates-heading" class="heading">What separates us</h2>
          <FieldWords :field="data" />
        </section>
      </div>
      <SightingSection v-if="hasRivals" />
      <FieldLinesSection v-if="hasRivals" />
      <section v-if="data.members.length" aria-labelledby="sides-heading" class="part">
        <h2 id="sides-heading" class="heading">Following, output, response</h2>
        <p v-if="isUneven" class="quiet">
          Not everybody is on the same networks. Choose one network above to compare like with like.
        </p>
        <FieldTables :field="data" />
      </section>
      <FieldHabits v-if="hasRivals" />
      <FieldEventsSection v-if="hasRivals" />
      <section v-if="hasRivals" aria-labelledby="best-heading" class="part">
        <h2 id="best-heading" class="heading">The best posts of the field</h2>
        <FieldPosts :field="data" :time-zone="timeZone" />
      </section>
    </template>
  </div>
</template>

<style scoped>
.two {
  display: grid;
  grid-template-columns: 3fr 2fr;
  gap: 24px;
}
.voice {
  margin-top: 12px;
}
.beside {
  font: 400 0.929rem var(--sans);
  margin-left: 8px;
}
.part {
  margin-top: 16px;
}
@media (max-width: 1100px) {
  .two {
    grid-template-columns: 1fr;
  }
}
</style>
