<script setup lang="ts">
import { fieldSchema, type Field } from '~~/shared/compare/field'

definePageMeta({ margin: true, scope: true })
useHead({ title: 'Field · Zaffer' })
const route = useRoute()
const router = useRouter()
const session = useSession()
const { slug, base } = useClient()
const { address, description } = useScope()
/** How the field is looked at, as the address has it; what has no meaning there is left to the server to say. */
const shown = computed(() => ({
  network: String(route.query.network ?? ''),
  own: String(route.query.own ?? ''),
  hide: String(route.query.hide ?? ''),
}))
const asked = computed(() => Object.fromEntries(Object.entries(shown.value).filter(([, value]) => value !== '')))
const { data, error, isLoading } = useQuery({
  key: () => ['field', slug.value, address.value, asked.value],
  query: () => api<Field>(`${base.value}/field`, { query: { ...address.value, ...asked.value } }),
  placeholderData: (previous) => previous,
})
const show = (part: Partial<typeof shown.value>) =>
  router.push({
    query: {
      ...route.query,
      ...Object.fromEntries(Object.entries(part).map(([key, value]) => [key, value || undefined])),
    },
  })
const networks = computed(() => [
  { value: 'all', name: 'all networks' },
  ...(data.value?.networks.map(({ id, name }) => ({ value: id, name })) ?? []),
])
const hidden = computed(() => (fieldSchema.isValidSync(shown.value) ? shown.value.hide.split(',').filter(Boolean) : []))
/** Every rival that there is, shown or not. */
const rivals = computed(() =>
  data.value
    ? [...data.value.members.filter(({ isOwn }) => !isOwn), ...data.value.hidden]
        .map(({ id, name }) => ({ id, name }))
        .sort((a, b) => a.name.localeCompare(b.name))
    : [],
)
const isShown = (id: number) => !hidden.value.includes(String(id))
const toggle = (id: number) =>
  show({
    hide: (isShown(id) ? [...hidden.value, String(id)] : hidden.value.filter((each) => each !== String(id))).join(','),
  })
const count = computed(() => data.value?.members.filter(({ isOwn }) => !isOwn).length ?? 0)
const download = computed(
  () => `${base.value}/downloads/field?${new URLSearchParams({ ...address.value, ...asked.value })}`,
)
/** Whether somebody is on networks that others are not on. */
const isUneven = computed(() => new Set(data.value?.members.map(({ networks: on }) => [...on].sort().join())).size > 1)
const timeZone = computed(() => description.data.value?.client.timeZone ?? 'UTC')
</script>

<template>
  <div>
    <h1 class="hidden-but-read">How does the client do beside its rivals?</h1>
    <ScopeSentence />
    <p v-if="error" role="alert">{{ error.message }}</p>
    <p v-else-if="isLoading && !data" class="quiet">Comparing the field …</p>
    <template v-if="data">
      <div class="row choose no-print">
        <span class="quiet">beside {{ count }} {{ count === 1 ? 'rival' : 'rivals' }} on</span>
        <Select
          :model-value="shown.network || 'all'"
          :options="networks"
          option-label="name"
          option-value="value"
          size="small"
          aria-label="On which networks"
          @update:model-value="(network) => show({ network: network === 'all' ? '' : network })"
        />
        <label class="check"
          ><Checkbox
            :model-value="shown.own !== 'out'"
            binary
            input-id="own-in"
            @update:model-value="(isIn) => show({ own: isIn ? '' : 'out' })"
          />
          the client itself</label
        >
        <label v-for="rival in rivals" :key="rival.id" class="check"
          ><Checkbox
            :model-value="isShown(rival.id)"
            binary
            :input-id="`rival-${rival.id}`"
            @update:model-value="toggle(rival.id)"
          />
          {{ rival.name }}</label
        >
        <DownloadMenu class="right" kind="field" :path="download" what="The field" />
      </div>
      <p v-if="rivals.length === 0" class="quiet">
        No rival yet. Add the profiles of one under
        <NuxtLink v-if="session.mayWrite" :to="`/${slug}/profiles`">Profiles</NuxtLink
        ><template v-else>Profiles</template>: what everybody can see of them is fetched without any consent.
      </p>
      <div v-else class="two">
        <section aria-labelledby="growth-heading">
          <h2 id="growth-heading" class="heading">Small and growing</h2>
          <GrowthChart :members="data.members" />
          <h2 class="heading voice">
            Share of voice <span class="quiet beside">of all interactions of this field</span>
          </h2>
          <VoiceBars :members="data.members" />
        </section>
        <section aria-labelledby="separates-heading">
          <h2 id="separates-heading" class="heading">What separates us</h2>
          <FieldWords :field="data" />
        </section>
      </div>
      <section v-if="data.members.length" aria-labelledby="sides-heading" class="part">
        <h2 id="sides-heading" class="heading">Following, output, response</h2>
        <p v-if="isUneven" class="quiet">
          Not everybody is on the same networks. Choose one network above to compare like with like.
        </p>
        <FieldTables :field="data" />
      </section>
      <section v-if="rivals.length" aria-labelledby="best-heading" class="part">
        <h2 id="best-heading" class="heading">The best posts of the field</h2>
        <FieldPosts :field="data" :time-zone="timeZone" />
      </section>
    </template>
  </div>
</template>

<style scoped>
.choose {
  flex-wrap: wrap;
  gap: 6px 14px;
  margin: 8px 0;
}
.check {
  display: inline-flex;
  gap: 6px;
  align-items: center;
}
.right {
  margin-left: auto;
}
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
