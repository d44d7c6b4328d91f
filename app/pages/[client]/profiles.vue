<script setup lang="ts">
import { CATALOGUE } from '~~/core/metrics/catalogue'
import { describeDay } from '~~/core/periods/describePeriod'
import { formatCount } from '~~/core/format/numbers'
import type { Restatement } from '~~/shared/figures/restatement'
import type { Suggested } from '~~/shared/gather/suggestions'
import type { ProfilesView, ProfileState } from '~~/shared/gather/profiles'

const { query, replace } = usePageAddress()
const session = useSession()
const { tick } = useFirstSteps()
const say = useSay()
const refreshAll = useRefresh()
const { slug, base } = useClient()
const { data, error, refetch } = useQuery({
  key: () => ['profiles', slug.value],
  query: () => api<ProfilesView>(`${base.value}/profiles`),
})
const link = ref<{ name: string; address: string }>()
const isAdding = ref(false)
/** An address can lead to a profile that might be added. */
const asked = computed(() => {
  const { add, on = '', rival = '' } = query.value
  return add ? { what: String(add), network: String(on) || 'all', rivalName: String(rival) } : undefined
})
watch(asked, (wanted) => wanted && session.mayWrite && (isAdding.value = true), { immediate: true })
/** Whom the audience also follows is asked of the networks where the address says so. */
const isAsked = computed(() => query.value.suggested === 'yes')
const askAudience = () => replace({ suggested: 'yes' })
const lookAt = ({ handle, network }: Suggested, organisation: string) =>
  replace({ add: handle, on: network, rival: organisation })
function stopAdding() {
  isAdding.value = false
  if (asked.value) void replace({ add: undefined, on: undefined, rival: undefined })
}
const profiles = computed(() => data.value?.profiles ?? [])
const own = computed(() => profiles.value.filter(({ isRival }) => !isRival))
const rivals = computed(() => profiles.value.filter(({ isRival }) => isRival))
const competitors = computed(() => [...new Set(rivals.value.flatMap(({ rival }) => rival ?? []))].sort())
const isBusy = computed(() => profiles.value.some(({ job }) => job?.state === 'queued' || job?.state === 'running'))
useIntervalFn(() => isBusy.value && void refetch(), 1000)
useHead({ title: 'Profiles · Zaffer' })

/** The metric whose coverage the strips show; only what some profile gives is offered. */
const metric = computed(() =>
  choices.value.some(({ id }) => id === query.value.coverage) ? String(query.value.coverage) : 'any',
)
const choices = computed(() => [
  { id: 'any', name: 'any figure' },
  ...CATALOGUE.filter(({ id }) => profiles.value.some(({ missingOf }) => missingOf[id])).map(({ id, name }) => ({
    id,
    name: name.toLowerCase(),
  })),
])
const choose = (id: string) => replace({ coverage: id === 'any' ? undefined : id })
const restated = ref<{ name: string; path: string; list: Restatement[] }>()
const locale = useLocale()

const refresh = () => refreshAll('profiles', 'figures')
async function attempt(work: () => Promise<unknown>) {
  try {
    await work()
  } catch (problem) {
    say.problem(problem)
  }
}
const at = (profile: ProfileState) => `${base.value}/profiles/${profile.id}`
const fetchNow = (profile: ProfileState) =>
  attempt(async () => {
    await api(`${at(profile)}/sync`, { method: 'POST' })
    await refetch()
  })
const ask = (profile: ProfileState) =>
  attempt(async () => {
    const { path } = await api<{ path: string }>(`${at(profile)}/consent`, { method: 'POST' })
    tick('consent')
    link.value = { name: profile.name, address: `${location.origin}${path}` }
  })
const turn = (profile: ProfileState): Promise<void> =>
  attempt(async () => {
    const isOn = profile.isActive
    await api(at(profile), { method: 'PUT', body: { isActive: !isOn } })
    await refresh()
    say.done(
      isOn ? `${profile.name} is switched off; its past is kept.` : `${profile.name} is switched on again.`,
      isOn ? () => turn({ ...profile, isActive: false }) : undefined,
    )
  })
const whose = ref<ProfileState>()
/** Whose a profile is was changed: that can be undone. */
async function belongs(profile: ProfileState, now: string) {
  whose.value = undefined
  await refresh()
  say.done(`${profile.name} belongs to ${now}.`, () =>
    attempt(async () => {
      await api(at(profile), { method: 'PUT', body: { rival: profile.rival ?? profile.name } })
      await refresh()
    }),
  )
}
const showRestated = (profile: ProfileState) =>
  attempt(async () => {
    restated.value = {
      name: profile.name,
      path: `${at(profile)}/restatements/table`,
      list: await api<Restatement[]>(`${at(profile)}/restatements`),
    }
  })
async function added(name: string) {
  stopAdding()
  tick('profile')
  await refresh()
  say.done(`${name} is in the list; what anybody can see of it is being fetched.`)
}
async function copy() {
  await navigator.clipboard.writeText(link.value!.address)
  say.done('The link is on the clipboard.')
}
const lists = computed(() => [
  { label: 'Own profiles', order: 'sort', profiles: own.value },
  { label: 'Rivals’ profiles', order: 'rivals', profiles: rivals.value },
])
const count = (value: number | null) => (value === null ? '—' : formatCount(value, locale))
const RESTATED = [
  {
    key: 'day',
    label: 'Day',
    valueOf: ({ day }: Restatement) => day,
    textOf: ({ day }: Restatement) => describeDay(day),
  },
  {
    key: 'figure',
    label: 'Figure',
    isWords: true,
    valueOf: ({ metric }: Restatement) => metric.replaceAll('_', ' '),
  },
  {
    key: 'was',
    label: 'Was',
    isFigure: true,
    valueOf: ({ oldValue }: Restatement) => oldValue ?? -1,
    textOf: ({ oldValue }: Restatement) => count(oldValue),
  },
  {
    key: 'is',
    label: 'Is',
    isFigure: true,
    valueOf: ({ newValue }: Restatement) => newValue ?? -1,
    textOf: ({ newValue }: Restatement) => count(newValue),
  },
]
</script>

<template>
  <div>
    <PageHead title="Where do the figures come from?">
      <DownloadMenu kind="profiles" what="The profiles" />
      <Button v-if="session.mayWrite" label="Add a profile" aria-haspopup="dialog" @click="isAdding = true" />
    </PageHead>
    <p v-if="error" role="alert">{{ error.message }}</p>
    <template v-if="data">
      <div class="row top">
        <span
          v-if="data.allowance.limit !== null"
          :class="data.allowance.used >= data.allowance.limit ? 'worse' : 'quiet'"
          >{{ data.allowance.used }} of the agency’s {{ data.allowance.limit }} profiles are switched on{{
            data.allowance.used >= data.allowance.limit ? ': switch one off before adding another' : ''
          }}.</span
        >
        <span class="row no-print coverage"
          ><label for="coverage">Strips show</label
          ><Select
            :model-value="metric"
            input-id="coverage"
            :options="choices"
            option-label="name"
            option-value="id"
            size="small"
            aria-label="Coverage of"
            @update:model-value="choose"
        /></span>
      </div>
      <section v-for="list in lists" :key="list.label" :aria-label="list.label">
        <h2 v-if="list.profiles.length" class="heading">
          {{ list.label
          }}<span v-if="list.label !== 'Own profiles'" class="quiet competitors"> of {{ competitors.join(', ') }}</span>
        </h2>
        <ProfileList
          v-if="list.profiles.length"
          :profiles="list.profiles"
          :metric="metric"
          :label="list.label"
          :order-name="list.order"
          @fetch="fetchNow"
          @ask="ask"
          @turn="turn"
          @restated="showRestated"
          @rename="whose = $event"
        />
      </section>
      <p v-if="profiles.length === 0">
        No profile yet. Add the first by its handle or address, or
        <NuxtLink :to="`/${slug}/find`">find the client’s profiles</NuxtLink> from its web page.
      </p>
      <SuggestedRivals v-if="session.mayWrite && own.length" :is-asked="isAsked" @ask="askAudience" @add="lookAt" />
      <SetList :sets="data.sets" :profiles="own" @changed="refresh" />
    </template>
    <LazyAddProfileDialog
      v-if="isAdding"
      :competitors="competitors"
      :start="asked"
      @close="stopAdding"
      @added="added"
    />
    <WhoseProfileDialog
      v-if="whose"
      :profile="whose"
      :competitors="competitors"
      @close="whose = undefined"
      @saved="belongs"
    />
    <OpeningDialog
      v-if="restated"
      :label="`Restated by the network: ${restated.name}`"
      width="38rem"
      @close="restated = undefined"
    >
      <p>
        Networks count again for some days. The new figure replaces the old one; the change is kept here.
        <DownloadMenu v-if="restated" :path="restated.path" what="The restatements" />
      </p>
      <OrderedTable
        name="restated"
        :columns="RESTATED"
        :rows="restated.list"
        :key-of="(change) => `${change.day} ${change.metric} ${change.seenAt.getTime()}`"
      />
    </OpeningDialog>
    <OpeningDialog v-if="link" :label="`Consent for ${link.name}`" width="34rem" @close="link = undefined">
      <p>
        Send this link to the owner of the profile. It leads to the network, where the owner allows reading; no password
        is shared. It works once, for two weeks.
      </p>
      <div class="row link">
        <InputText :model-value="link?.address" readonly fluid aria-label="Consent link" /><Button
          label="Copy"
          @click="copy"
        />
      </div>
    </OpeningDialog>
  </div>
</template>

<style scoped>
.link {
  margin-top: 10px;
  flex-wrap: nowrap;
}
.top {
  justify-content: space-between;
  margin-bottom: 10px;
}
.coverage {
  margin-left: auto;
}
section + section {
  margin-top: 20px;
}
.competitors {
  font-weight: 400;
}
</style>
