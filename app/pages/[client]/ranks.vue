<script setup lang="ts">
import { describeDay } from '~~/core/periods/describePeriod'
import { RHYTHMS } from '~~/core/ranks/rankRhythm'
import type { RankAllowance, RanksView, RankView } from '~~/shared/read/ranks'
import { gridWords, watchWords } from '~/read/ranks/rankWords'

definePageMeta({ margin: true, scope: true })
useHead({ title: 'Ranks · Zaffer' })
const session = useSession()
const say = useSay()
const { query, push: set } = usePageAddress()
const refreshAll = useRefresh()
const locale = useLocale()
const { slug, base } = useClient()
const { address } = useScope()
const { data, error, isLoading } = useQuery({
  key: () => ['ranks', slug.value, address.value],
  query: () => api<RanksView>(`${base.value}/ranks`, { query: address.value }),
  placeholderData: (previous) => previous,
})
const allowance = useQuery({
  key: () => ['rank-allowance', slug.value],
  query: () => api<RankAllowance>(`${base.value}/ranks/allowance`),
  enabled: () => session.mayWrite,
})
/** The one that is being removed: nothing more is asked about it. */
const leaving = ref<number>()
/** The one that is read: the one of the address, or the first one with a map. */
const chosen = computed(() => {
  const rows = data.value?.rows.filter(({ id }) => id !== leaving.value) ?? []
  const asked = Number(query.value.watch)
  return rows.find(({ id }) => id === asked) ?? rows.find(({ points }) => points > 1) ?? rows[0]
})
const one = useQuery({
  key: () => ['rank', slug.value, chosen.value?.id ?? 0, address.value],
  query: () => api<RankView>(`${base.value}/ranks/${chosen.value!.id}`, { query: address.value }),
  enabled: () => chosen.value !== undefined,
  placeholderData: (previous) => previous,
})
const SHOWN = [
  { value: 'now', name: 'ranks now' },
  { value: 'before', name: 'ranks before' },
  { value: 'difference', name: 'the difference' },
] as const
const shows = computed(() => SHOWN.find(({ value }) => value === query.value.shows)?.value ?? 'now')
/** The points of the one that is read, as a table. */
const points = computed(
  () =>
    `${base.value}/downloads/ranks?${new URLSearchParams({ ...address.value, watch: String(chosen.value?.id ?? '') })}`,
)
const isAdded = ref(false)
const refresh = () => refreshAll('ranks')
const remove = useRemoval(refresh)
const { job, follow } = useJob()
const isChecking = ref(false)

async function saved(id: number) {
  isAdded.value = false
  await refresh()
  await set({ watch: String(id), shows: undefined })
}
async function check(id: number) {
  isChecking.value = true
  try {
    const { job: asked } = await api<{ job: number }>(`${base.value}/ranks/${id}/check`, { method: 'POST' })
    const { message } = await follow(asked)
    await refresh()
    say.done(message)
  } catch (problem) {
    say.problem(problem)
  } finally {
    isChecking.value = false
  }
}
async function removeOne({ id, keyword }: { id: number; keyword: string }) {
  leaving.value = id
  await remove(`${base.value}/ranks/${id}`, `“${keyword}” is looked for no more.`)
  leaving.value = undefined
}
async function changeRhythm(id: number, rhythm: string) {
  try {
    await api(`${base.value}/ranks/${id}`, { method: 'PUT', body: { rhythm } })
    await refresh()
  } catch (problem) {
    say.problem(problem)
  }
}
</script>

<template>
  <div>
    <h1 class="hidden-but-read">Where do the places stand when somebody searches?</h1>
    <ScopeSentence />
    <div class="row acts no-print">
      <p v-if="allowance.data.value" :class="allowance.data.value.runsOutOn ? 'worse' : 'quiet'">
        {{ allowance.data.value.used.toLocaleString(locale) }} of the agency’s
        {{ allowance.data.value.limit.toLocaleString(locale) }} points of this month are used,
        {{ allowance.data.value.toCome.toLocaleString(locale) }} are planned<template
          v-if="allowance.data.value.runsOutOn"
          >: they run out on {{ describeDay(allowance.data.value.runsOutOn) }}</template
        >.
      </p>
      <span class="row right">
        <DownloadMenu v-if="data?.rows.length" kind="ranks" what="The ranks" />
        <Button
          v-if="session.mayWrite"
          label="Look for a keyword"
          size="small"
          outlined
          aria-haspopup="dialog"
          @click="isAdded = true"
        />
      </span>
    </div>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <p v-else-if="isLoading && !data" class="quiet">Fetching the ranks …</p>
    <p v-else-if="data?.rows.length === 0" class="quiet">
      Nothing is looked for yet. Say what people search for, and for which place; then it is checked as often as you
      want.
    </p>
    <template v-else-if="data">
      <section aria-labelledby="ranks-heading">
        <h2 id="ranks-heading" class="heading">Keywords, place by place</h2>
        <RanksTable :view="data" :chosen="chosen?.id" @choose="(id) => set({ watch: String(id) })" />
      </section>
      <section v-if="chosen" aria-labelledby="rank-heading">
        <div class="row head">
          <h2 id="rank-heading" class="heading">{{ watchWords(chosen) }}</h2>
          <span class="row no-print">
            <Select
              v-if="chosen.points > 1 && one.data.value?.before"
              :model-value="shows"
              :options="[...SHOWN]"
              option-label="name"
              option-value="value"
              size="small"
              aria-label="What the discs show"
              @update:model-value="(value) => set({ shows: value === 'now' ? undefined : value })"
            />
            <template v-if="session.mayWrite">
              <Select
                :model-value="chosen.rhythm"
                :options="[...RHYTHMS]"
                option-label="name"
                option-value="id"
                size="small"
                aria-label="How often it is checked"
                @update:model-value="(rhythm) => changeRhythm(chosen!.id, rhythm)"
              />
              <Button label="Check now" size="small" outlined :loading="isChecking" @click="check(chosen.id)" />
              <Button
                label="Remove"
                size="small"
                text
                :aria-label="`Remove “${chosen.keyword}”`"
                @click="removeOne(chosen)"
              />
            </template>
            <DownloadMenu :path="points" block="ranks" what="The points" />
          </span>
        </div>
        <p class="quiet small">
          Looked at {{ gridWords(chosen) }}.
          <template v-if="chosen.next">Next on {{ describeDay(chosen.next) }}.</template>
          <span v-if="isChecking && job" role="status">{{ job.message }}</span>
        </p>
        <p v-if="one.error.value" role="alert">{{ one.error.value.message }}</p>
        <RankText v-else-if="one.data.value" :view="one.data.value" :shows="shows" />
      </section>
    </template>
    <WatchDialog v-if="isAdded" @close="isAdded = false" @saved="saved" />
  </div>
</template>

<style scoped>
.acts {
  justify-content: space-between;
  margin: 10px 0 4px;
  font-size: var(--text-small);
}
.right {
  margin-left: auto;
}
section {
  margin-bottom: 16px;
}
.head {
  justify-content: space-between;
}
.small {
  font-size: var(--text-small);
}
</style>
