<script setup lang="ts">
import { whenWords } from '~/read/directories/directoryWords'
import { POLL_HOURS, type DirectoriesView, type PlaceEntries } from '~~/shared/read/directories'

useHead({ title: 'Directories · Zaffer' })
const session = useSession()
const say = useSay()
const { query, push } = usePageAddress()
const refreshAll = useRefresh()
const { slug, base } = useClient()
const { description } = useScope()
const timeZone = computed(() => description.data.value?.client.timeZone)
const { data, error, isLoading } = useQuery({
  key: () => ['directories', slug.value],
  query: () => api<DirectoriesView>(`${base.value}/directories`),
  placeholderData: (previous) => previous,
})
/** The place that is read: the one of the address, the one that changed last, or the one whose entries agree least. */
const chosen = computed(() => {
  const rows = data.value?.rows ?? []
  const asked = Number(query.value.place) || data.value?.changes[0]?.place.id
  const worst = (row: (typeof rows)[number]) => row.cells.reduce((sum, { agreement = 0 }) => sum + agreement, 0)
  return rows.find(({ place }) => place.id === asked) ?? [...rows].sort((a, b) => worst(a) - worst(b))[0]
})
const one = useQuery({
  key: () => ['entries', slug.value, chosen.value?.place.id ?? 0],
  query: () => api<PlaceEntries>(`${base.value}/directories/places/${chosen.value!.place.id}`),
  enabled: () => chosen.value !== undefined,
  placeholderData: (previous) => previous,
})
const picked = ref<string[]>([])
watch(
  () => chosen.value?.place.id,
  () => (picked.value = []),
)
const isSending = ref(false)
const fields = computed(() => `${base.value}/downloads/directories?place=${chosen.value?.place.id ?? ''}`)
const polled = computed(() => {
  const times = (data.value?.directories ?? []).flatMap(({ polledAt }) => (polledAt ? [new Date(polledAt)] : []))
  return times.length > 0 ? new Date(Math.min(...times.map((at) => at.valueOf()))) : undefined
})
const refresh = () => refreshAll('directories')
const { job, follow } = useJob()
const isLooking = ref(false)

/** Waits for what was asked of directories, one after the other. */
async function after(jobs: readonly number[]) {
  isLooking.value = true
  try {
    for (const id of jobs) await follow(id)
  } catch (problem) {
    say.problem(problem)
  } finally {
    isLooking.value = false
    await refresh()
  }
}
async function look() {
  try {
    const { jobs } = await api<{ jobs: number[] }>(`${base.value}/directories/poll`, { method: 'POST' })
    await after(jobs)
    say.done('All directories were looked at.')
  } catch (problem) {
    say.problem(problem)
  }
}
async function settled(jobs: number[]) {
  await refresh()
  await after(jobs)
}
async function sent(jobs: number[]) {
  isSending.value = false
  picked.value = []
  await after(jobs)
  say.done('The directories were told.')
}
async function sayOurs(entry: number, isOurs: boolean) {
  const tell = async (value: boolean) => {
    await api(`${base.value}/directories/entries/${entry}`, { method: 'PUT', body: { isOurs: value } })
    await refresh()
  }
  try {
    await tell(isOurs)
    say.done(isOurs ? 'That entry counts again.' : 'That entry is left out.', () => tell(!isOurs))
  } catch (problem) {
    say.problem(problem)
  }
}
</script>

<template>
  <div>
    <h1 class="hidden-but-read">Do the directories say what is true about the places?</h1>
    <div class="row acts no-print">
      <p class="quiet" role="status">
        <template v-if="isLooking">{{ job?.message || 'Asking the directories …' }}</template
        ><template v-else-if="polled"
          >Each was looked at on {{ whenWords(polled, timeZone) }} or later; again every
          {{ POLL_HOURS }} hours.</template
        >
      </p>
      <span class="row right">
        <DownloadMenu v-if="data?.rows.length" kind="directories" what="The directories" />
        <Button v-if="session.mayWrite" label="Look now" size="small" outlined :loading="isLooking" @click="look" />
      </span>
    </div>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <p v-else-if="isLoading && !data" class="quiet">Fetching the entries …</p>
    <p v-else-if="data?.rows.length === 0" class="quiet">
      No place yet. Add one under Places; then the directories are looked at by themselves.
    </p>
    <template v-else-if="data">
      <section id="changes" aria-labelledby="changes-heading">
        <h2 id="changes-heading" class="heading">Changes that nobody here has made</h2>
        <ChangesTable v-if="data.changes.length" :changes="data.changes" :time-zone="timeZone" @settled="settled" />
        <p v-else class="quiet">None: every entry says what it said, or what was asked for.</p>
      </section>
      <section aria-labelledby="entries-heading">
        <h2 id="entries-heading" class="heading">How much of each entry agrees</h2>
        <DirectoriesTable :view="data" :chosen="chosen?.place.id" @choose="(place) => push({ place: String(place) })" />
      </section>
      <section v-if="chosen" aria-labelledby="place-heading">
        <div class="row head">
          <h2 id="place-heading" class="heading">{{ chosen.place.name }}, field by field</h2>
          <span class="row no-print">
            <Button
              v-if="session.mayWrite"
              :label="picked.length ? `Send ours in ${picked.length}` : 'Send ours'"
              size="small"
              outlined
              aria-haspopup="dialog"
              :disabled="picked.length === 0"
              @click="isSending = true"
            />
            <DownloadMenu :path="fields" block="directories" what="The fields" />
          </span>
        </div>
        <p v-if="one.error.value" role="alert">{{ one.error.value.message }}</p>
        <template v-else-if="one.data.value">
          <p v-if="one.data.value.entries.length === 0" class="quiet">No directory has an entry of it yet.</p>
          <EntriesTable v-else v-model="picked" :view="one.data.value" @ours="sayOurs" />
          <MissingEntries :view="one.data.value" :time-zone="timeZone" :may-write="session.mayWrite" @sent="sent" />
          <h3>What happened to them</h3>
          <EntryHistory :view="one.data.value" :time-zone="timeZone" />
        </template>
      </section>
    </template>
    <SendDialog
      v-if="isSending && one.data.value"
      :view="one.data.value"
      :chosen="picked"
      @close="isSending = false"
      @sent="sent"
    />
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
</style>
