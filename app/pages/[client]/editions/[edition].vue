<script setup lang="ts">
import { describeInstant } from '~~/core/periods/describePeriod'
import type { Edition, EditionHead, ShareView } from '~~/shared/report/editions'
import type { JobView } from '~~/shared/platform/jobs'

interface Opened {
  edition: Edition
  printing: JobView | null
  shares: ShareView[]
}

const route = useRoute()
const session = useSession()
const say = useSay()
const refresh = useRefresh()
const { tick } = useFirstSteps()
onMounted(() => tick('edition'))
const { slug, base } = useClient()
const address = computed(() => `${base.value}/editions/${String(route.params.edition)}`)
const { data, error, refetch } = useQuery({
  key: () => ['edition', slug.value, String(route.params.edition)],
  query: () => api<Opened>(address.value),
})
const isSharing = ref(false)
const days = ref<number | undefined>(30)
const reader = ref('')
const link = ref('')
const problem = ref('')
useIntervalFn(
  () => data.value && !data.value.edition.hasPdf && data.value.printing?.state !== 'failed' && void refetch(),
  800,
)
useHead({ title: () => `${data.value?.edition.title ?? 'Edition'} · Zaffer` })

async function share() {
  problem.value = ''
  try {
    const { path } = await api<{ path: string }>(`${address.value}/shares`, {
      method: 'POST',
      body: { days: days.value ?? '', reader: reader.value },
    })
    link.value = `${location.origin}${path}`
    await refetch()
  } catch (trouble) {
    problem.value = (trouble as Error).message
  }
}
async function revoke(id: number) {
  try {
    await api(`${address.value}/shares/${id}`, { method: 'DELETE' })
    // a link that works no more is nothing to copy
    link.value = ''
    await refetch()
    say.done('The link does not work any more.')
  } catch (trouble) {
    say.problem(trouble)
  }
}
/** The later editions of this client, of which one can stand in the place of this one. */
const { data: all } = useQuery({
  key: () => ['editions', slug.value],
  query: () => api<EditionHead[]>(`${base.value}/editions`),
  enabled: () => session.mayWrite,
})
const NOBODY = 0
const laterOnes = computed(() => [
  { value: NOBODY, name: 'stands for itself' },
  ...(all.value ?? [])
    .filter(({ id }) => id > Number(route.params.edition))
    .map(({ id, title, number }) => ({ value: id, name: `superseded by ${title}, edition ${number}` })),
])
async function supersede(by: number) {
  try {
    await api(`${address.value}/superseded`, { method: 'PUT', body: { by: by === NOBODY ? null : by } })
    say.done(
      by === NOBODY ? 'It stands for itself again.' : 'Both editions, and whoever has a link to this one, are told.',
    )
    await refresh('editions')
  } catch (trouble) {
    say.problem(trouble)
  }
}
async function printAgain() {
  await api(`${address.value}/pdf`, { method: 'POST' }).catch(say.problem)
  await refetch()
}
async function copy() {
  await navigator.clipboard.writeText(link.value)
  say.done('The link is on the clipboard.')
}
const stateOf = (share: ShareView) =>
  share.isRevoked ? 'withdrawn' : share.endsAt < new Date() ? 'ended' : `works until ${describeInstant(share.endsAt)}`

function openSharing() {
  isSharing.value = true
  link.value = ''
}
</script>

<template>
  <div class="edition">
    <div v-if="data" class="row actions no-print">
      <NuxtLink :to="`/${slug}/editions`">All editions</NuxtLink>
      <Select
        v-if="session.mayWrite && laterOnes.length > 1"
        :model-value="data.edition.supersededBy?.id ?? NOBODY"
        :options="laterOnes"
        option-label="name"
        option-value="value"
        size="small"
        aria-label="Whether a later edition stands in its place"
        @update:model-value="supersede"
      />
      <span class="grow" />
      <a :href="`${address}/tables?format=xlsx`" download>Workbook</a>
      <a v-if="data.edition.hasPdf" :href="`${address}/pdf`" target="_blank">PDF</a>
      <template v-else-if="data.printing?.state === 'failed'"
        ><span class="field-error">The PDF could not be made: {{ data.printing.message }}</span
        ><Button v-if="session.mayWrite" label="Make it again" text @click="printAgain"
      /></template>
      <span v-else class="quiet" role="status">The PDF is being made …</span>
      <Button v-if="session.mayWrite" label="Share" outlined aria-haspopup="dialog" @click="openSharing" />
    </div>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <ReportView v-if="data" :edition="data.edition" />
    <OpeningDialog v-if="isSharing" label="Share this edition" width="34rem" @close="isSharing = false">
      <p>Whoever has the link sees this edition and nothing else, without signing in.</p>
      <form class="row" @submit.prevent="share">
        <div class="field">
          <label for="share-reader">For whom</label
          ><InputText id="share-reader" v-model="reader" placeholder="Maria, board" maxlength="120" />
        </div>
        <NumberField id="share-days" v-model="days" label="It works for" unit="days" />
        <Button type="submit" label="Make a link" />
      </form>
      <p v-if="problem" class="field-error" role="alert">{{ problem }}</p>
      <div v-if="link" class="row link">
        <InputText :model-value="link" readonly fluid aria-label="Shared link" /><Button label="Copy" @click="copy" />
      </div>
      <p v-if="link" class="quiet">The link is shown only now; what is kept cannot be turned back into it.</p>
      <ul v-if="data?.shares.length">
        <li v-for="item in data.shares" :key="item.id">
          Link{{ item.reader ? ` for ${item.reader}` : '' }} of {{ describeInstant(item.createdAt) }},
          {{ stateOf(item) }}
          <Button v-if="!item.isRevoked" label="Withdraw" text size="small" @click="revoke(item.id)" />
        </li>
      </ul>
    </OpeningDialog>
  </div>
</template>

<style scoped>
.edition {
  max-width: 820px;
}
.actions {
  margin-bottom: 14px;
}
.grow {
  flex: 1;
}
.link {
  margin: 10px 0 4px;
  flex-wrap: nowrap;
}
ul {
  list-style: none;
  margin-top: 10px;
}
</style>
